// Where a computed number stands, by its headline: `survey/stop.distance` is `stop.distance` of the source `survey`; without a
// source it stands in the assessment.
import type { State } from "@/api/client";
import { valueAt } from "@/documents/paths";
import { airSource } from "@/workbench/air";
import { heatSource } from "@/workbench/heat";
import type { Bench } from "@/workbench/history";
import { assessmentSource, hydraulicsSource, measurementsSource, surveySource } from "@/workbench/question";
import type { Source, Working } from "@/workbench/source";

/** Every source, by its name in a headline. */
const SOURCES: Readonly<Record<string, Source>> = {
  survey: surveySource,
  hydraulics: hydraulicsSource,
  measurements: measurementsSource,
  heat: heatSource,
  air: airSource,
};

function split(headline: string): { source: Source; name: string } {
  const at = headline.indexOf("/");
  const source = SOURCES[headline.slice(0, Math.max(0, at))];
  return { source: source ?? assessmentSource, name: headline.slice(at + 1) };
}

/** The name of a number within its source. */
export const nameOf = (headline: string): string => split(headline).name;

/** Keep the answers that hold these headlines fresh, while the asking component is on the page. */
export function keepFreshFor(headlines: readonly string[]): void {
  new Set(headlines.map((headline) => split(headline).source)).forEach((source) => source.keepFresh());
}

/** The number as it is now, and as it was in what it is compared with; null where there is none. */
export function numbersOf(headline: string): { now: number | null; before: number | null } {
  const { source, name } = split(headline);
  const number = (places: unknown[]): number | null => {
    const found = places.map((place) => (place ? valueAt(place, name) : undefined));
    return (found.find((one) => one !== undefined) ?? null) as number | null;
  };
  return { now: number(source.now()), before: number(source.before()) };
}

/** The steps behind a number, freshly worked out. */
export const workingOf = (headline: string, bench: Bench, state: State): Promise<Working> =>
  split(headline).source.working(bench, state);
