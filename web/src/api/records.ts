// Records of any kind that the server keeps: the same addresses for each, the types by the kind.
import { api, ask, type Schemas } from "./client";

/** Every kind of record, with its document. */
export interface Documents {
  car: Schemas["Car"];
  setup: Schemas["Setup"];
  circuit: Schemas["Circuit"];
}
export type RecordKind = keyof Documents;
/** The two records on the bench. */
export type BenchRecord = "car" | "setup";
/** A record as it is kept: its document stands under the name of its kind. */
export type Stored<K extends RecordKind> = { id: string; version: number; saved_at: string } & {
  [kind in K]: Documents[kind];
};
export type Listed = Schemas["ListedRecord"];
export type HistoryEntry = Schemas["HistoryEntry"];

// The addresses of all kinds are of one shape; those of the car stand for them in the types.
type Shape = "/api/cars/{record_id}";
const at = (kind: RecordKind): Shape => `/api/${kind}s/{record_id}` as Shape;
const byId = (record_id: string) => ({ params: { path: { record_id } } });

/** The actions on records of one kind. */
export function recordsOf<K extends RecordKind>(kind: K) {
  const path = at(kind);
  const one = async (request: Promise<{ data?: unknown; error?: unknown; response: Response }>) =>
    (await ask(request)) as Stored<K>;
  return {
    list: (): Promise<Listed[]> => ask(api.GET(`/api/${kind}s` as "/api/cars")),
    /** The records that belong to a record of another kind. */
    listOf: (parent: RecordKind, parent_id: string): Promise<Listed[]> =>
      ask(
        api.GET(`/api/${parent}s/{parent_id}/${kind}s` as "/api/cars/{parent_id}/setups", {
          params: { path: { parent_id } },
        }),
      ),
    /** Missing values have their defaults. */
    add: (document: Partial<Documents[K]>) =>
      one(api.POST(`/api/${kind}s` as "/api/cars", { body: document as unknown as Documents["car"] })),
    addTo: (parent: RecordKind, parent_id: string, document: Partial<Documents[K]>) =>
      one(
        api.POST(`/api/${parent}s/{parent_id}/${kind}s` as "/api/cars/{parent_id}/setups", {
          params: { path: { parent_id } },
          body: document as unknown as Documents["setup"],
        }),
      ),
    get: (id: string) => one(api.GET(path, byId(id))),
    save: (id: string, version: number, document: Documents[K], name = "", note = "") => {
      const body = { version, [kind]: document, name, note } as unknown as Schemas["CarSave"];
      return one(api.PUT(path, { ...byId(id), body }));
    },
    rename: (id: string, version: number, name: string) =>
      one(api.PUT(`${path}/name` as `${Shape}/name`, { ...byId(id), body: { version, name } })),
    archive: (id: string, archived: boolean): Promise<void> =>
      ask(api.PUT(`${path}/archived` as `${Shape}/archived`, { ...byId(id), body: { archived } })),
    deleteForGood: (id: string): Promise<void> => ask(api.DELETE(path, byId(id))),
    history: (id: string, most?: number, signal?: AbortSignal): Promise<HistoryEntry[]> =>
      ask(
        api.GET(`${path}/history` as `${Shape}/history`, {
          params: { path: { record_id: id }, query: most === undefined ? {} : { most } },
          signal,
        }),
      ),
    /** The document as it was in one revision. */
    revision: async (id: string, number: number): Promise<Documents[K]> => {
      const params = { path: { record_id: id, number } };
      const found = await ask(
        api.GET(`${path}/revisions/{number}` as `${Shape}/revisions/{number}`, { params }),
      );
      return (found as unknown as Documents)[kind];
    },
    /** A file, sent as it stands: the server says what is wrong with it, if anything is. */
    readFile: async (file: File): Promise<Stored<K>> => {
      const raw = { body: (await file.text()) as never, bodySerializer: String };
      const headers = { "content-type": "application/json" };
      return one(api.POST(`/api/${kind}s/files` as "/api/cars/files", { ...raw, headers }));
    },
    /** Addresses for a browser to load: as it is kept, and as a file. */
    rawAddress: (id: string): string => `/api/${kind}s/${id}/raw`,
    fileAddress: (id: string): string => `/api/${kind}s/${id}/file`,
  };
}
