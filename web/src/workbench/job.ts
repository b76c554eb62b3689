// A long job on the server: started, followed, cancelled, and found again after a reload.
import { ref, shallowRef } from "vue";
import { api, ask, Refused, type Schemas } from "@/api/client";

/** Any kind of job; each has its own answer. */
export interface Job<Answer> {
  id: string;
  state: Schemas["JobState"];
  done: number;
  of: number;
  question: string;
  trouble: string;
  answer: Answer | null;
}

const AGAIN_MS = 1500;
// The addresses of all kinds of job are of one shape.
type Shape = "/api/air/sizings";

/** `path` is the address of its kind; `about` says what the job is for now, empty where there is nothing to ask. */
export function useJob<Answer>(path: string, about: () => string) {
  const shape = path as Shape;
  const job = shallowRef<Job<Answer> | null>(null);
  const trouble = ref("");
  let events: EventSource | null = null;

  function stopFollowing(): void {
    events?.close();
    events = null;
  }

  const findLater = (): number => window.setTimeout(() => void find(), AGAIN_MS);

  /** Follows its events; if the server goes away meanwhile, asks again once it is back. */
  function follow(id: string): void {
    stopFollowing();
    let begun = false;
    events = new EventSource(`${path}/${id}/events`);
    events.addEventListener("job", (event) => {
      begun = true;
      job.value = JSON.parse((event as MessageEvent<string>).data) as Job<Answer>;
      if (job.value.state !== "running") stopFollowing();
    });
    events.addEventListener("error", () => {
      stopFollowing();
      // A job that has ended before it could be followed has no events.
      if (begun) findLater();
      else void find(false);
    });
  }

  /** The last one about this, whether it still runs or not; one that runs is followed at once, or a little later. */
  async function find(atOnce = true): Promise<void> {
    stopFollowing();
    const asked = about();
    if (!asked) return;
    try {
      const found = await ask(api.GET(shape, { params: { query: { about: asked } } }));
      if (about() !== asked) return;
      job.value = found as Job<Answer> | null;
      if (job.value?.state !== "running") return;
      if (atOnce) follow(job.value.id);
      else findLater();
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      if (error.unanswered && job.value?.state === "running") findLater();
    }
  }

  /** Begin one with this question. */
  async function begin(question: object): Promise<void> {
    trouble.value = "";
    try {
      const body = question as Schemas["SizingQuestion"];
      job.value = (await ask(api.POST(shape, { body }))) as Job<Answer>;
      follow(job.value.id);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      trouble.value = error.problem.detail;
    }
  }

  async function cancel(): Promise<void> {
    const job_id = job.value?.id;
    forget();
    if (!job_id) return;
    const one = `${path}/{job_id}` as `${Shape}/{job_id}`;
    await ask(api.DELETE(one, { params: { path: { job_id } } })).catch(() => undefined);
  }

  /** Forgets the job, for example when the subject changes. */
  function forget(): void {
    stopFollowing();
    job.value = null;
    trouble.value = "";
  }

  return { job, trouble, find, begin, cancel, forget };
}
