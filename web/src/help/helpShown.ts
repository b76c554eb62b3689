// Whether keys and words are shown.
import { ref } from "vue";

export const helpShown = ref(false);
