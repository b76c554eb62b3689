// What the field that has the focus says of itself; shown in one place, so that nothing jumps under the pointer.
import { ref } from "vue";

export const help = ref<{ title: string; text: string } | null>(null);
