// The list of circuits on the server, from which sessions take their copies, and the laps that are found in speed traces.
import { defineStore } from "pinia";
import { ref } from "vue";
import { api, ask, type Circuit, type Schemas, type TraceReading } from "@/api/client";

export const useCircuits = defineStore("circuits", () => {
  const list = ref<Schemas["ListedRecord"][]>([]);
  const byId = (circuit_id: string) => ({ params: { path: { circuit_id } } });

  async function load(): Promise<void> {
    list.value = (await ask(api.GET("/api/circuits"))).filter((one) => one.readable);
  }

  const get = async (id: string): Promise<Circuit> =>
    (await ask(api.GET("/api/circuits/{circuit_id}", byId(id)))).circuit;

  /** Put it on the list, over the one of the same name where there is one; whether there was. */
  async function keep(circuit: Circuit): Promise<boolean> {
    await load();
    const same = list.value.find((one) => one.name === circuit.name);
    if (same) {
      const body = { version: same.version, circuit };
      await ask(api.PUT("/api/circuits/{circuit_id}", { ...byId(same.id), body }));
    } else await ask(api.POST("/api/circuits", { body: circuit }));
    await load();
    return Boolean(same);
  }

  const find = (text: string, name: string, one_way: boolean, leave_out: boolean): Promise<TraceReading> =>
    ask(api.POST("/api/traces", { body: { text, name, one_way, leave_out } }));

  return { list, load, get, keep, find };
});
