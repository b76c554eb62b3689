// The list of circuits on the server, from which sessions take their copies, and the laps that are found in speed traces.
import { defineStore } from "pinia";
import { ref } from "vue";
import { api, ask, type Circuit, type TraceReading } from "@/api/client";
import { recordsOf, type Listed } from "@/api/records";
import { discard, upload } from "@/api/uploads";

export const useCircuits = defineStore("circuits", () => {
  const records = recordsOf("circuit");
  const list = ref<Listed[]>([]);

  async function load(): Promise<void> {
    list.value = (await records.list()).filter((one) => one.readable);
  }

  const get = async (id: string): Promise<Circuit> => (await records.get(id)).circuit;

  /** Add it to the list, replacing one of the same name; returns whether there was one. */
  async function keep(circuit: Circuit): Promise<boolean> {
    await load();
    const same = list.value.find((one) => one.name === circuit.name);
    if (same) await records.save(same.id, same.version, circuit);
    else await records.add(circuit);
    await load();
    return Boolean(same);
  }

  /** The lap in a file that was sent; `progress` is called with the share that has arrived. */
  const send = (file: Blob, progress?: (share: number) => void): Promise<string> => upload(file, progress);
  const find = (
    upload_id: string,
    name: string,
    one_way: boolean,
    leave_out: boolean,
    /** A lap by its number, all of them, or the fastest whole one. */
    lap: number | "all" | null = null,
  ): Promise<TraceReading> => {
    const which = { lap: lap === "all" ? null : lap, all_laps: lap === "all" };
    return ask(api.POST("/api/traces", { body: { upload_id, name, one_way, leave_out, ...which } }));
  };

  return { list, load, get, keep, send, discard, find };
});
