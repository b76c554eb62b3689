// The whole API client: the types come from the server's schema and carry the contract.
import createClient from "openapi-fetch";
import { ref } from "vue";
import type { components, paths } from "./generated";

export type Schemas = components["schemas"];
export type Car = Schemas["Car"];
export type Setup = Schemas["Setup"];
export type Assessment = Schemas["Assessment"];
export type StateAnswer = Schemas["StateAnswer"];
export type State = Schemas["State"];
export type Curve = Schemas["Curve"];
export type Survey = Schemas["Survey"];
export type StateSurvey = Schemas["StateSurvey"];
export type AdhesionCurves = Schemas["AdhesionCurves"];
export type Uncertainty = Schemas["Uncertainty"];
export type HydraulicsAnalysis = Schemas["HydraulicsAnalysis"];
export type StateHydraulics = Schemas["StateHydraulics"];
export type PedalAtPush = Schemas["PedalAtPush"];
export type Setting = Schemas["Setting"];
export type CircuitFailure = Schemas["CircuitFailure"];
export type Measurements = Schemas["Measurements"];
export type AxleAnswer = Schemas["AxleAnswer"];
export type Joint = Schemas["Joint"];
export type Swap = Schemas["Swap"];
export type CylinderTable = Schemas["CylinderTable"];
export type CylinderPair = Schemas["Pair"];
export type Mend = Schemas["Mend"];
export type MendPart = Schemas["MendPart"];
export type Mends = Schemas["Mends"];
export type StillToMeasure = Schemas["StillToMeasure"];
export type Rule = Schemas["Rule"];
export type Verdict = Schemas["Verdict"];
export type Phrase = Schemas["Phrase"];
export type Step = Schemas["Step"];
export type Problem = Schemas["Problem"];
export type FieldError = Schemas["FieldError"];
export type Desk = Schemas["Desk"];
export type DimensionUnits = Schemas["DimensionUnits"];
export type Unit = Schemas["Unit"];
export type Session = Schemas["Session"];
export type Circuit = Schemas["Circuit"];
export type SimulatedSession = Schemas["SimulatedSession"];
export type SessionHeat = Schemas["SessionHeat"];
export type AxleSeries = Schemas["AxleSeries"];
export type HeatJudgement = Schemas["HeatJudgement"];
export type HeatAdvice = Schemas["HeatAdvice"];
export type HeatInputs = Schemas["HeatInputs"];
export type HeatMend = Schemas["HeatMend"];
export type HeatVerdict = Schemas["HeatVerdict"];
export type DuctFlow = Schemas["DuctFlow"];
export type PieceFlow = Schemas["PieceFlow"];
export type DuctWorth = Schemas["DuctWorth"];
export type DuctSizing = Schemas["DuctSizing"];
export type PlanAnswer = Schemas["PlanAnswer"];
export type Plan = Schemas["Plan"];
export type PlanStep = Schemas["PlanStep"];
export type PlanCell = Schemas["PlanCell"];
export type DuctRow = Schemas["DuctRow"];
export type TapeRow = Schemas["TapeRow"];
export type SizingJob = Schemas["SizingJob"];
export type DuctPiece = Schemas["DuctPiece"];
export type Duct = Schemas["Duct"];
export type TraceReading = Schemas["TraceReading"];
export type AxleName = "front" | "rear";

/** What the server says while it compiles the simulation, which it does once on each machine; else empty. */
export const compiling = ref("");
const ASK_AGAIN_MS = 2000;
let waiting = 0;

/** The response, or null while the server compiles what the request needs. */
async function attempt(request: Request): Promise<Response | null> {
  const response = await fetch(request.clone());
  const problem = response.status === 503 ? ((await response.clone().json()) as Problem) : null;
  if (problem?.type !== "urn:plimbo:problem:compiling") return response;
  compiling.value = problem.detail;
  return null;
}

/** Sends a request, and sends it again for as long as the server still compiles the simulation. */
async function patientFetch(request: Request): Promise<Response> {
  let response = await attempt(request);
  if (response) return response;
  waiting += 1;
  try {
    while (!response) {
      await new Promise((resolve) => setTimeout(resolve, ASK_AGAIN_MS));
      request.signal.throwIfAborted();
      response = await attempt(request);
    }
    return response;
  } finally {
    waiting -= 1;
    if (!waiting) compiling.value = "";
  }
}

export const api = createClient<paths>({ baseUrl: window.location.origin, fetch: patientFetch });

/** A request that was refused, or did not arrive. */
export class Refused extends Error {
  constructor(public readonly problem: Problem) {
    super(problem.detail);
  }

  /** The documents are valid, but outside the model's range. */
  get outsideModel(): boolean {
    return this.problem.type === "urn:plimbo:problem:outside-model";
  }

  /** This Plimbo cannot read what is stored. */
  get unreadable(): boolean {
    return this.problem.type === "urn:plimbo:problem:unreadable-record";
  }

  /** It is unknown whether the request arrived. */
  get unanswered(): boolean {
    return this.problem.status === 0;
  }
}

export const UNREACHABLE: Problem = {
  type: "about:blank",
  title: "No answer",
  status: 0,
  detail: "Plimbo's server does not answer. Is it still running? Nothing you typed is lost.",
  errors: [],
  current_version: null,
};

/** The answer, or `Refused` with the problem in plain words. */
export async function ask<T>(
  request: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let result;
  try {
    result = await request;
  } catch {
    throw new Refused(UNREACHABLE);
  }
  if (result.response.ok) return result.data as T;
  const problem = result.error as Problem | undefined;
  throw new Refused(
    problem?.detail
      ? { ...problem, errors: problem.errors }
      : { ...UNREACHABLE, status: result.response.status },
  );
}
