// An editor of a document: forms and fields use it, whatever the document is and wherever it is stored.
import { inject, provide, type InjectionKey } from "vue";
import type { Remedy } from "./remedies";
import { fieldAt, fieldsOf, type FieldMeta } from "./schema";

export interface Editor {
  /** What is edited; paths such as `setup.pedal.ratio` lead into it. Reactive. */
  readonly document: unknown;
  /** The car that copied values are from; empty where there is none. */
  readonly copiedFrom: string;
  /** What the document says of a field, and the paths of the fields in a part. */
  fieldAt(path: string): FieldMeta;
  fieldsOf(path: string): string[];
  /** Put a value at a path. False if it was refused: `errorAt` says why. */
  edit(path: string, value: unknown): Promise<boolean>;
  /** Several values as one change; `path` is the field that stands for them. */
  editAll(path: string, values: Record<string, unknown>): Promise<boolean>;
  /** Accept assumed or copied values as they stand. */
  confirm(...paths: string[]): Promise<boolean>;
  /** What is wrong at a path. */
  errorAt(path: string): string | null;
  /** Forget the refused value. */
  forgive(): void;
  /** The change that would allow a choice that another part excludes. */
  remedyFor(path: string, value: unknown): Remedy | null;
}

const KEY: InjectionKey<Editor> = Symbol("editor");

/** For the part of the page whose fields are of this document. */
export const provideEditor = (editor: Editor): void => provide(KEY, editor);

export function useEditor(): Editor {
  const editor = inject(KEY, null);
  if (!editor) throw new Error("no editor is provided here");
  return editor;
}

/** What the schema says, for editors of documents that the server describes. */
export const bySchema = { fieldAt, fieldsOf };
