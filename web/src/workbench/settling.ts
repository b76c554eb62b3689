// What to do with a car or a setup that was saved, or deleted for good, elsewhere while it was worked on here.
import { api, ask } from "@/api/client";
import { recordsOf } from "@/api/records";
import type { Bench } from "./history";
import { useLibrary } from "./library";
import { useWorkbench } from "./workbench";

/** Take theirs, put mine on top, or keep mine as a new record. Gives the setup to open; none where it is let go. */
export async function settle(choice: "theirs" | "mine" | "new"): Promise<string | null> {
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
  const opened = choice === "new" ? await keptAnew(now, car.id) : setup.id;
  library.setup = { ...setup, setup: now.setup };
  library.car = { ...car, car: now.car };
  library.conflict = null;
  await library.open(opened);
  return opened;
}

/** What lies on the bench as a setup of its own; as a car of its own where that was changed, or is gone. */
async function keptAnew(now: Bench, carId: string): Promise<string> {
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
