// The verdicts on the bench: those of the assessment, with better-known ones in their place.
import { defineStore } from "pinia";
import { computed } from "vue";
import type { Assessment, HeatJudgement, Uncertainty, Verdict } from "@/api/client";
import { useHeatJudgement } from "./heat";
import { useUncertainty } from "./question";
import { useWorkbench } from "./workbench";

/** For one matter, the sessions' heat and the draws know more than the assessment. */
function counted(
  of: Assessment | null,
  heat: HeatJudgement | null,
  sure: Uncertainty | null,
): readonly Verdict[] {
  const better = [heat?.verdict, sure?.verdict];
  return (of?.verdicts ?? []).map((plain) => better.find((one) => one?.key === plain.key) ?? plain);
}

const SEVERITY = { bad: 2, watch: 1, open: 0, good: 0 };

/** By level, then by rank, then the furthest past its limit: as the server ranks them. */
function graver(one: Verdict, other: Verdict): boolean {
  if (one.level !== other.level && SEVERITY[one.level] !== SEVERITY[other.level])
    return SEVERITY[one.level] > SEVERITY[other.level];
  return one.rank !== other.rank ? one.rank < other.rank : one.past > other.past;
}

export const useVerdicts = defineStore("verdicts", () => {
  const workbench = useWorkbench();
  const judgement = useHeatJudgement();
  const uncertainty = useUncertainty();
  const hasSessions = () => !!workbench.bench?.car.sessions.length;
  /** A doubt from before the last step does not hold for this one. */
  const sure = () => (uncertainty.stale ? null : uncertainty.answer);

  const now = computed(() => counted(workbench.assessment, hasSessions() ? judgement.answer : null, sure()));

  return {
    now,
    /** What is said first of the whole car; none where nothing is bad or to be watched. */
    gravest: computed(() => {
      const wanting = now.value.filter((one) => SEVERITY[one.level]);
      return wanting.reduce<Verdict | null>((most, one) => (most && !graver(one, most) ? most : one), null);
    }),
    /** One stop cannot stand in for a session: if the sessions were not judged before, there is no verdict on their heat. */
    before: computed(() => {
      const before = counted(workbench.ghost?.assessment ?? null, judgement.ghost, uncertainty.ghost);
      return !hasSessions() || judgement.ghost ? before : before.filter((one) => one.key !== "heat");
    }),
    /** What a sheet explains: for heat the one stop, since the sessions have their own place. */
    explained: (key: string): Verdict | undefined =>
      (key === "heat" ? workbench.assessment?.verdicts : counted(workbench.assessment, null, sure()))?.find(
        (one) => one.key === key,
      ),
    /** Whether a better-known verdict is still pending. */
    waits: (key: string): boolean =>
      (key === "heat" && hasSessions() && (judgement.stale || !(judgement.answer || judgement.trouble))) ||
      (key === "lock_order" && (uncertainty.stale || !uncertainty.answer)),
  };
});
