// Charts leave as SVG, PNG or their data as CSV.
import { echarts, type ChartOption } from "./echarts";

const WIDTH = 960;
const HEIGHT = 640;

function download(name: string, content: Blob): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

export function saveSvg(name: string, option: ChartOption): void {
  const chart = echarts.init(null, null, { renderer: "svg", ssr: true, width: WIDTH, height: HEIGHT });
  chart.setOption({ ...option, animation: false });
  download(`${name}.svg`, new Blob([chart.renderToSVGString()], { type: "image/svg+xml" }));
  chart.dispose();
}

export function savePng(name: string, option: ChartOption, background: string): void {
  const canvas = document.createElement("canvas");
  canvas.width = WIDTH * 2;
  canvas.height = HEIGHT * 2;
  const chart = echarts.init(canvas, null, { width: WIDTH, height: HEIGHT, devicePixelRatio: 2 });
  chart.setOption({ ...option, animation: false, backgroundColor: background });
  chart.getZr().flush();
  canvas.toBlob((blob) => {
    if (blob) download(`${name}.png`, blob);
    chart.dispose();
  });
}

/** One cell of a CSV file. A cell that a spreadsheet would read as a formula is marked as text. */
export function csvCell(value: string | number): string {
  const text = typeof value === "string" && /^[=+\-@\t\r]/.test(value) ? `'${value}` : String(value);
  return /[",\n\r']/.test(text) ? `"${text.replace(/"/g, '""')}"` : text;
}

export function saveCsv(name: string, rows: readonly (readonly (string | number)[])[]): void {
  download(
    `${name}.csv`,
    new Blob([rows.map((row) => row.map(csvCell).join(",")).join("\r\n")], { type: "text/csv" }),
  );
}
