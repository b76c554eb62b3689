// What is said of the bench: the assessment's verdicts, with the doubt counted, and the sessions' heat where the car has any.
import { defineStore } from "pinia";
import { computed } from "vue";
import type { Assessment, HeatJudgement, HeatVerdict, Uncertainty, Verdict } from "@/api/client";
import { useHeatJudgement } from "./heat";
import { useUncertainty } from "./question";
import { useWorkbench } from "./workbench";

/** As the other verdicts are told. */
function asVerdict(of: HeatVerdict): Verdict {
  return {
    key: "heat",
    title: `Heat · ${of.session}`,
    level: of.level,
    word: of.word,
    number: of.number,
    margin: of.margin,
    margin_words: of.margin_words,
    number_signed: false,
    margin_signed: false,
    state: null,
    condition: "",
    rule: of.rule,
    limits: [],
    reason: of.text,
    facts: [],
  };
}

/** Sessions that nobody could drive are no reason for a green mark. */
const notDriven = (why: string): Verdict => ({
  key: "heat",
  title: "Heat",
  level: "watch",
  word: "Not worked out",
  number: { value: null, dimension: "temperature" },
  margin: { value: null, dimension: "temperature" },
  margin_words: "its sessions cannot be driven",
  number_signed: false,
  margin_signed: false,
  state: null,
  condition: "",
  rule: { text: "", values: {} },
  limits: [],
  reason: { text: why, values: {} },
  facts: [],
});

const worstOf = (judged: HeatJudgement | null): Verdict | null =>
  judged?.worst ? asVerdict(judged.worst) : null;

/** The verdicts, those that are known better in the place of the plain ones. */
function told(of: Assessment | null, heat: Verdict | null, sure: Uncertainty | null): readonly Verdict[] {
  const better = [heat, sure?.in_doubt ? sure.verdict : null];
  return (of?.verdicts ?? []).map((plain) => better.find((one) => one?.key === plain.key) ?? plain);
}

export const useVerdicts = defineStore("verdicts", () => {
  const workbench = useWorkbench();
  const judgement = useHeatJudgement();
  const uncertainty = useUncertainty();
  const hasSessions = () => !!workbench.bench?.car.sessions?.length;
  /** What was in doubt before the last step says nothing of this one, unless it is still front first. */
  const sure = () => (uncertainty.stale ? null : uncertainty.answer);

  return {
    now: computed(() => {
      const worst = judgement.trouble ? notDriven(judgement.trouble) : worstOf(judgement.answer);
      return told(workbench.assessment, hasSessions() ? worst : null, sure());
    }),
    /** One stop is no measure for a session: where the sessions were not judged before, nothing is said of their heat. */
    before: computed(() => {
      const before = told(workbench.ghost?.assessment ?? null, worstOf(judgement.ghost), uncertainty.ghost);
      return !hasSessions() || judgement.ghost ? before : before.filter((one) => one.key !== "heat");
    }),
    /** What a sheet explains: of the heat the one stop, since the sessions have a place of their own. */
    explained: (key: string): Verdict | undefined =>
      (key === "heat" ? workbench.assessment?.verdicts : told(workbench.assessment, null, sure()))?.find(
        (one) => one.key === key,
      ),
    /** Whether a verdict still waits for what is known better. */
    waits: (key: string): boolean =>
      (key === "heat" && hasSessions() && (judgement.stale || !(judgement.answer || judgement.trouble))) ||
      (key === "lock_order" && (uncertainty.stale || !uncertainty.answer)),
  };
});
