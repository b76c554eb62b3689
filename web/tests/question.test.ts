// A question about the bench: asked while its answer is shown, cancelled when another is asked, and silent about a cancelled one.
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { createRenderer, nextTick, shallowReactive, type App } from "vue";
import type { Bench } from "@/workbench/history";
import { question } from "@/workbench/question";

const { workbench } = vi.hoisted(() => {
  vi.stubGlobal("window", globalThis);
  vi.stubGlobal("location", { origin: "http://here" });
  return { workbench: { bench: null, ghost: null } as Record<string, unknown> };
});
const shown = shallowReactive(workbench);
vi.mock("@/workbench/workbench", () => ({ useWorkbench: () => shown }));

const bench = (name: string): Bench => ({ car: { name }, setup: { name } }) as Bench;

/** Nothing is drawn: the test is about when the question is asked. */
const nothing = () => undefined;
const { createApp } = createRenderer<object, object>({
  createElement: () => ({}),
  createText: () => ({}),
  createComment: () => ({}),
  setText: nothing,
  setElementText: nothing,
  insert: nothing,
  remove: nothing,
  patchProp: nothing,
  parentNode: () => null,
  nextSibling: () => null,
});

interface Asked {
  bench: Bench;
  signal: AbortSignal;
  answer: (value: string) => void;
  fail: () => void;
}

/** A question whose answers arrive when the test says so. */
function held(manner: Parameters<typeof question>[1]) {
  const asked: Asked[] = [];
  const put = (of: Bench, signal?: AbortSignal) =>
    new Promise<string>((answer, reject) => {
      const fail = () => {
        reject(new Error("given up"));
      };
      signal?.addEventListener("abort", fail);
      asked.push({ bench: of, signal: signal ?? new AbortController().signal, answer, fail });
    });
  return { asked, of: question<string>(put, manner) };
}

let apps: App<object>[] = [];
function read(of: { keepFresh: () => void }): () => void {
  const app = createApp({ setup: () => (of.keepFresh(), () => null) });
  app.mount({});
  apps.push(app);
  return () => {
    app.unmount();
    apps = apps.filter((one) => one !== app);
  };
}

async function settle(ms = 0): Promise<void> {
  await nextTick();
  await vi.advanceTimersByTimeAsync(ms);
  await nextTick();
}

describe("a question", () => {
  beforeEach(() => {
    vi.useFakeTimers();
    shown.bench = bench("first");
    shown.ghost = null;
  });
  afterEach(() => {
    for (const app of apps) app.unmount();
    apps = [];
    vi.useRealTimers();
  });

  it("is asked only while somebody reads it, when the hand rests, and once for each bench", async () => {
    const { asked, of } = held({ wait: 300 });
    await settle(1000);
    expect(asked).toHaveLength(0);
    read(of);
    await settle(299);
    expect(asked).toHaveLength(0);
    await settle(1);
    asked[0]?.answer("of the first");
    await settle();
    expect(of.answer.value).toBe("of the first");
    for (const name of ["second", "third"]) {
      shown.bench = bench(name);
      await settle(100);
    }
    expect(of.stale.value).toBe(true);
    await settle(300);
    expect(asked.map((one) => one.bench.car.name)).toEqual(["first", "third"]);
  });

  it("is given up when the bench changes, and says nothing of that", async () => {
    const { asked, of } = held({ wait: 300, long: true });
    read(of);
    await settle(300);
    shown.bench = bench("second");
    await settle();
    expect(asked[0]?.signal.aborted).toBe(true);
    await settle(300);
    expect(of.trouble.value).toBe("");
    asked[1]?.answer("of the second");
    await settle();
    expect(of.answer.value).toBe("of the second");
  });

  it("goes on where only what it is compared with changes", async () => {
    const { asked, of } = held({ wait: 300, long: true });
    read(of);
    await settle(300);
    shown.ghost = { bench: bench("before"), assessment: null, label: "before" };
    await settle(300);
    expect(asked).toHaveLength(1);
    expect(asked[0]?.signal.aborted).toBe(false);
    asked[0]?.answer("answered");
    await settle();
    expect([of.answer.value, of.ghost.value, of.trouble.value]).toEqual(["answered", null, ""]);
  });

  it("is given up where nobody reads any more, and asked anew by who comes back", async () => {
    const { asked, of } = held({ wait: 300, long: true });
    const leave = read(of);
    await settle(300);
    leave();
    await settle();
    expect(asked[0]?.signal.aborted).toBe(true);
    read(of);
    await settle(300);
    expect(asked).toHaveLength(2);
    asked[1]?.answer("answered after all");
    await settle();
    expect([of.answer.value, of.trouble.value]).toEqual(["answered after all", ""]);
  });

  it("tells its trouble, and forgets it with the next answer", async () => {
    const { asked, of } = held({});
    read(of);
    await settle();
    asked[0]?.fail();
    await settle();
    expect(of.trouble.value).toBe("The answer could not be fetched.");
    expect(of.asking.value).toBe(false);
    shown.bench = bench("second");
    await settle();
    // An earlier error may be mended by now.
    expect(of.asking.value).toBe(true);
    asked[1]?.answer("answered");
    await settle();
    expect([of.answer.value, of.trouble.value, of.asking.value]).toEqual(["answered", "", false]);
  });

  it("keeps its answer while only the car's sessions change, unless it is about them", async () => {
    const plain = held({});
    const heat = held({ sessions: true });
    read(plain.of);
    read(heat.of);
    await settle();
    for (const one of [plain, heat]) one.asked[0]?.answer("answered");
    await settle();
    const now = shown.bench as Bench;
    shown.bench = { ...now, car: { ...now.car, sessions: [] } };
    await settle();
    expect(plain.asked).toHaveLength(1);
    expect(heat.asked).toHaveLength(2);
  });
});
