// The editor of what is on the bench.
import { bySchema, type Editor } from "@/documents/editor";
import { remedyFor } from "@/documents/remedies";
import { complaintAt } from "./complaints";
import { useMeasurements } from "./question";
import { useWorkbench } from "./workbench";

export function benchEditor(): Editor {
  const workbench = useWorkbench();
  const measurements = useMeasurements();
  return {
    ...bySchema,
    get document() {
      return workbench.bench;
    },
    get copiedFrom() {
      return workbench.bench?.car.copied_from ?? "";
    },
    edit: (path, value) => workbench.edit(path, value),
    editAll: workbench.editAll,
    confirm: workbench.confirm,
    errorAt: (path) => workbench.errorAt(path) ?? complaintAt(measurements.answer, path),
    forgive: workbench.forgive,
    remedyFor: (path, value) => remedyFor(workbench.bench, path, value),
  };
}
