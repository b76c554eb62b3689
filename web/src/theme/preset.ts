// PrimeVue's components in Plimbo's own paper and ink.
import { definePreset } from "@primeuix/themes";
import base from "@primeuix/themes/aura/base";
import dialog from "@primeuix/themes/aura/dialog";
import inputtext from "@primeuix/themes/aura/inputtext";
import menu from "@primeuix/themes/aura/menu";
import select from "@primeuix/themes/aura/select";
import tabs from "@primeuix/themes/aura/tabs";

// Of the components that are used, and no more: every one is worked through before the first drawing.
const aura = { ...base, components: { dialog, inputtext, menu, select, tabs } };

const petrol = {
  50: "#eef7f7", 100: "#d3e9ea", 200: "#a6d2d5", 300: "#74b6bb", 400: "#3f949b", 500: "#0f6a73",
  600: "#0d5d65", 700: "#0b4e55", 800: "#083d43", 900: "#062e33", 950: "#041f22",
}; // prettier-ignore

export const preset = definePreset(aura, {
  primitive: { borderRadius: { none: "0", xs: "1px", sm: "2px", md: "2px", lg: "3px", xl: "4px" } },
  semantic: {
    primary: petrol,
    focusRing: { width: "2px", style: "solid", color: "var(--focus)", offset: "1px", shadow: "none" },
    formField: { paddingX: "0.5rem", paddingY: "0.25rem", borderRadius: "2px", shadow: "none" },
    colorScheme: Object.fromEntries(
      ["light", "dark"].map((scheme) => [
        scheme,
        {
          primary: { color: "var(--ink)", contrastColor: "var(--paper)", hoverColor: "var(--ink)", activeColor: "var(--ink)" },
          highlight: { background: "var(--tint)", focusBackground: "var(--tint)", color: "var(--ink)", focusColor: "var(--ink)" },
          formField: {
            background: "var(--paper)", disabledBackground: "var(--tint)", borderColor: "var(--rule)",
            hoverBorderColor: "var(--soft)", focusBorderColor: "var(--ink)", color: "var(--ink)",
            placeholderColor: "var(--soft)", iconColor: "var(--soft)", floatLabelColor: "var(--soft)",
          },
          text: { color: "var(--ink)", hoverColor: "var(--ink)", mutedColor: "var(--soft)", hoverMutedColor: "var(--ink)" },
          content: { background: "var(--paper)", hoverBackground: "var(--tint)", borderColor: "var(--rule)", color: "var(--ink)", hoverColor: "var(--ink)" },
          overlay: Object.fromEntries(
            ["select", "popover", "modal"].map((kind) => [
              kind, { background: "var(--paper)", borderColor: "var(--soft)", color: "var(--ink)" },
            ]),
          ),
          list: { option: { focusBackground: "var(--tint)", selectedBackground: "var(--tint)", selectedFocusBackground: "var(--tint)", color: "var(--ink)", focusColor: "var(--ink)", selectedColor: "var(--ink)", selectedFocusColor: "var(--ink)" } },
          mask: { background: "rgba(20, 18, 12, 0.35)", color: "var(--ink)" },
        },
      ]),
    ),
  },
}); // prettier-ignore
