// A key for each joint of the chain: small letters the front's, capitals the rear's.

const PARTS: Record<string, string> = { m: "master_cylinder", c: "caliper", d: "disc", l: "pad" };
const SINGLE: Record<string, string> = {
  p: "pedal",
  a: "balance_bar",
  o: "booster",
  t: "tandem",
  v: "valve",
};

/** The joint that a key goes to, as the assessment names it; none for any other key. */
export function jointOf(key: string): string | null {
  const single = SINGLE[key];
  if (single) return single;
  const part = PARTS[key.toLowerCase()];
  if (!part || key.length > 1) return null;
  return `${key === key.toLowerCase() ? "front" : "rear"}.${part}`;
}

/** Put the focus on the joint that a key stands for, where it is fitted. */
export function goToJoint(key: string): void {
  const joint = jointOf(key);
  if (joint) document.querySelector<HTMLElement>(`[data-joint="${joint}"] [role=spinbutton]`)?.focus();
}
