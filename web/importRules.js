// Which folder of src may import which: one direction, from the server's types up to the places.

/** Each layer may import from those before it; folders of one layer do not know each other. */
const LAYERS = [
  ["api"],
  ["units"],
  ["documents"],
  ["fields", "help", "signs"],
  ["workbench"],
  ["charts"],
  ["working"],
  ["drawings", "sessions", "states"],
  ["shell"],
  ["places"],
];
const PLACES = ["air", "begin", "car", "chain", "garage", "heat", "mending"];

const mayNot = (folder, others, why) => ({
  files: [`src/${folder}/**/*.{ts,vue}`],
  rules: {
    "no-restricted-imports": [
      "error",
      {
        patterns: [
          { regex: `^(@|(\\.\\./)+)/?(${others.join("|")})(/|$)`, message: why },
          { regex: "^@/(App|router|main)", message: "Only main.ts begins the page." },
        ],
      },
    ],
  },
});

/** For ESLint: one entry for each folder. */
export const importRules = [
  ...LAYERS.flatMap((layer, at) =>
    layer
      .filter((folder) => folder !== "places")
      .map((folder) => {
        const above = LAYERS.slice(at)
          .flat()
          .filter((other) => other !== folder);
        return mayNot(folder, above, `What ${folder} needs lies below it: see LAYERS in importRules.js.`);
      }),
  ),
  ...PLACES.map((place) => {
    const others = PLACES.filter((other) => other !== place).map((other) => `places/${other}|${other}`);
    return mayNot(`places/${place}`, others, "No place knows another: what both need lies below them.");
  }),
];
