// The parts of ECharts that the application uses.
import { LineChart, ScatterChart } from "echarts/charts";
import { GridComponent, MarkAreaComponent, MarkLineComponent } from "echarts/components";
import * as echarts from "echarts/core";
import { LabelLayout } from "echarts/features";
import { CanvasRenderer, SVGRenderer } from "echarts/renderers";

echarts.use([
  LineChart,
  ScatterChart,
  GridComponent,
  MarkAreaComponent,
  MarkLineComponent,
  LabelLayout,
  CanvasRenderer,
  SVGRenderer,
]);

export { echarts };
export type ChartOption = echarts.EChartsCoreOption;
