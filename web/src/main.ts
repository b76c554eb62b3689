import "@fontsource/fira-sans/latin-400.css";
import "@fontsource/fira-sans/latin-500.css";
import "@fontsource/fira-sans/latin-600.css";
import "@fontsource/fira-sans/greek-400.css";
import "@fontsource/fira-sans/greek-600.css";
import "@fontsource/fira-sans-condensed/latin-400.css";
import "@fontsource/fira-sans-condensed/latin-500.css";
import "@fontsource/fira-sans-condensed/greek-400.css";
import "@/theme/base.css";

import { createPinia } from "pinia";
import PrimeVue from "primevue/config";
import { createApp } from "vue";
import App from "./App.vue";
import { router } from "./router";
import { preset } from "./theme/preset";

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;

createApp(App)
  .use(createPinia())
  .use(router)
  .use(PrimeVue, { theme: { preset, options: { darkModeSelector: ".dark" } }, csp: { nonce } })
  .mount("#app");
