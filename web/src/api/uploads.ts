// Files that are too large for a question: sent to the server first, with their progress.
import { api, ask, Refused, UNREACHABLE, type Problem } from "./client";

/** Not `randomUUID`, which a page over plain HTTP does not have. */
const newId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, "0")).join(
    "",
  );

/** Discards an upload; if that fails, the server deletes it later. */
export const discard = (upload_id: string): Promise<unknown> =>
  ask(api.DELETE("/api/uploads/{upload_id}", { params: { path: { upload_id } } })).catch(() => undefined);

/** Send a file; gives the id by which a question names it. `progress` is called with the share that has arrived. */
export function upload(
  file: Blob,
  progress: (share: number) => void = () => undefined,
  signal?: AbortSignal,
): Promise<string> {
  const id = newId();
  // XMLHttpRequest is the only kind of request that reports upload progress.
  const request = new XMLHttpRequest();
  return new Promise((resolve, reject) => {
    request.open("PUT", `/api/uploads/${id}`);
    request.setRequestHeader("content-type", "application/octet-stream");
    request.responseType = "json";
    request.upload.addEventListener("progress", ({ loaded, total }) => progress(total ? loaded / total : 0));
    request.addEventListener("load", () => {
      if (request.status < 300) return resolve(id);
      const problem = request.response as Problem | null;
      reject(new Refused({ ...UNREACHABLE, status: request.status, ...problem }));
    });
    for (const end of ["error", "abort"] as const)
      request.addEventListener(end, () => reject(new Refused(UNREACHABLE)));
    signal?.addEventListener("abort", () => request.abort());
    request.send(file);
  });
}
