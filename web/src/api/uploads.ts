// Files that are too large for a question: sent to the server first, with a word on how far they are.
import { Refused, UNREACHABLE, type Problem } from "./client";

/** Send a file; gives the id by which a question names it. `progress` is told the share that is there. */
export function upload(
  file: Blob,
  progress: (share: number) => void = () => undefined,
  signal?: AbortSignal,
): Promise<string> {
  const id = crypto.randomUUID().replaceAll("-", "");
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
