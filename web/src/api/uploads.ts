// Files that are too large for a question: sent to the server first, with a word on how far they are.
import { api, ask, Refused, UNREACHABLE, type Problem } from "./client";

/** Not `randomUUID`, which a page that came over plain http has not. */
const newId = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, "0")).join(
    "",
  );

/** What was sent is no longer wanted; where that fails, the server lets go of it by itself. */
export const discard = (upload_id: string): Promise<unknown> =>
  ask(api.DELETE("/api/uploads/{upload_id}", { params: { path: { upload_id } } })).catch(() => undefined);

/** Send a file; gives the id by which a question names it. `progress` is told the share that is there. */
export function upload(
  file: Blob,
  progress: (share: number) => void = () => undefined,
  signal?: AbortSignal,
): Promise<string> {
  const id = newId();
  // The only request that says how much of it has been sent.
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
