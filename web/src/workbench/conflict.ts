// Resolving a conflict: a car or a setup was saved, or deleted for good, elsewhere while it was edited here.
import { api, ask } from "@/api/client";
import { recordsOf } from "@/api/records";
import type { Bench } from "./history";
import { useLibrary } from "./library";
import { useWorkbench } from "./workbench";

/** Take theirs, put mine on top, or keep mine as a new record. Returns the setup to open; none if it is dropped. */
export async function resolveConflict(choice: "theirs" | "mine" | "new"): Promise<string | null> {
  const library = useLibrary();
  const now = useWorkbench().bench;
  const { conflict: clash, car, setup } = library;
  if (!clash || !now || !car || !setup) return setup?.id ?? null;
  if (choice === "mine") {
    if (clash.kind === "car") library.car = { ...car, version: clash.version };
    else library.setup = { ...setup, version: clash.version };
    library.conflict = null;
    await library.save();
    return setup.id;
  }
  if (choice === "theirs" && clash.deleted) {
    library.clear();
    return null;
  }
  const opened = choice === "new" ? await savedAsNew(now, car.id) : setup.id;
  library.setup = { ...setup, setup: now.setup };
  library.car = { ...car, car: now.car };
  library.conflict = null;
  await library.open(opened);
  return opened;
}

/** Saves the bench as a new setup; as a new car if the car was changed or is gone. */
async function savedAsNew(now: Bench, carId: string): Promise<string> {
  const library = useLibrary();
  const { kind, deleted } = library.conflict!;
  const mark = deleted ? "" : " (mine)";
  if (kind === "setup" && !(deleted && !(await isKept(carId))))
    return library.copySetup(`${now.setup.name}${mark}`);
  const added = await recordsOf("car").add({ ...now.car, name: `${now.car.name}${mark}` });
  return library.addSetup(added.id, now.setup);
}

const isKept = async (carId: string): Promise<boolean> =>
  (await ask(api.GET("/api/garage"))).some((one) => one.id === carId);
