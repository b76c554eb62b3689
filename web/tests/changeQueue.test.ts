// Work in turn: waiting changes of one kind are merged; and undo, which goes a thousand steps back.
import { describe, expect, it } from "vitest";
import type { Car, Setup } from "@/api/client";
import { emptyTimeline, recorded, redone, undone, type Bench } from "@/workbench/history";
import { useChangeQueue } from "@/workbench/changeQueue";

/** Work that finishes when the test says so. */
function held() {
  const done: string[] = [];
  const open: (() => void)[] = [];
  const work = (name: string) => () =>
    new Promise<string>((resolve) => {
      open.push(() => {
        done.push(name);
        resolve(name);
      });
    });
  const answer = async (): Promise<void> => {
    await Promise.resolve();
    open.shift()?.();
    for (let turn = 0; turn < 5; turn += 1) await Promise.resolve();
  };
  return { done, work, answer };
}

describe("turns", () => {
  it("does one after the other, and merges what waits last and is of the same kind", async () => {
    const { done, work, answer } = held();
    const enqueue = useChangeQueue();
    const first = enqueue(work("step"), "step");
    await Promise.resolve();
    const others = [1, 2, 3].map((n) => enqueue(work(`step ${n}`), "step"));
    for (let n = 0; n < 4; n += 1) await answer();
    expect(done).toEqual(["step", "step 3"]);
    expect(await first).toBe("step");
    expect(await Promise.all(others)).toEqual(["step 3", "step 3", "step 3"]);
  });

  it("keeps the order, and merges nothing over work of another kind or of none", async () => {
    const { done, work, answer } = held();
    const enqueue = useChangeQueue();
    void enqueue(work("a"), "edit a");
    await Promise.resolve();
    void enqueue(work("b"), "edit b");
    void enqueue(work("a again"), "edit a");
    void enqueue(work("plain"));
    void enqueue(work("plain too"));
    for (let n = 0; n < 6; n += 1) await answer();
    expect(done).toEqual(["a", "b", "a again", "plain", "plain too"]);
  });

  it("goes on after work that failed", async () => {
    const enqueue = useChangeQueue();
    const failed = enqueue(() => Promise.reject(new Error("refused")), "edit");
    await Promise.resolve();
    const next = enqueue(() => Promise.resolve("taken"), "edit");
    await expect(failed).rejects.toThrow("refused");
    expect(await next).toBe("taken");
  });
});

describe("undo", () => {
  const bench = (n: number): Bench => ({ car: { name: `${n}` } as Car, setup: {} as Setup });

  it("goes a thousand steps back and no further, and forward again", () => {
    let timeline = emptyTimeline();
    for (let n = 0; n < 1500; n += 1) timeline = recorded(timeline, bench(n));
    expect(timeline.past).toHaveLength(1000);
    expect(timeline.past[0]!.car.name).toBe("500");
    const back = undone(timeline, bench(1500))!;
    expect(back.bench.car.name).toBe("1499");
    expect(redone(back.timeline, back.bench)!.bench.car.name).toBe("1500");
    expect(undone(emptyTimeline(), bench(0))).toBeNull();
  });
});
