// What is said of the bench: the assessment's verdicts, each that is known better in its place.
import { defineStore } from "pinia";
import { computed } from "vue";
import type { Assessment, HeatJudgement, Uncertainty, Verdict } from "@/api/client";
import { useHeatJudgement } from "./heat";
import { useUncertainty } from "./question";
import { useWorkbench } from "./workbench";

/** Of one matter the sessions' heat and the draws know more than the assessment. */
function counted(
  of: Assessment | null,
  heat: HeatJudgement | null,
  sure: Uncertainty | null,
): readonly Verdict[] {
  const better = [heat?.verdict, sure?.verdict];
  return (of?.verdicts ?? []).map((plain) => better.find((one) => one?.key === plain.key) ?? plain);
}

export const useVerdicts = defineStore("verdicts", () => {
  const workbench = useWorkbench();
  const judgement = useHeatJudgement();
  const uncertainty = useUncertainty();
  const hasSessions = () => !!workbench.bench?.car.sessions.length;
  /** What was in doubt before the last step says nothing of this one. */
  const sure = () => (uncertainty.stale ? null : uncertainty.answer);

  return {
    now: computed(() => counted(workbench.assessment, hasSessions() ? judgement.answer : null, sure())),
    /** One stop is no measure for a session: where the sessions were not judged before, nothing is said of their heat. */
    before: computed(() => {
      const before = counted(workbench.ghost?.assessment ?? null, judgement.ghost, uncertainty.ghost);
      return !hasSessions() || judgement.ghost ? before : before.filter((one) => one.key !== "heat");
    }),
    /** What a sheet explains: of the heat the one stop, since the sessions have a place of their own. */
    explained: (key: string): Verdict | undefined =>
      (key === "heat" ? workbench.assessment?.verdicts : counted(workbench.assessment, null, sure()))?.find(
        (one) => one.key === key,
      ),
    /** Whether a verdict still waits for what is known better. */
    waits: (key: string): boolean =>
      (key === "heat" && hasSessions() && (judgement.stale || !(judgement.answer || judgement.trouble))) ||
      (key === "lock_order" && (uncertainty.stale || !uncertainty.answer)),
  };
});
