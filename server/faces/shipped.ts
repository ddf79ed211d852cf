import type { FaceInfo } from "../../core/lettering/face";

/** A face that ships with the application, with where its file and its licence lie in node_modules. */
export interface ShippedFace extends FaceInfo {
  readonly file: string;
  readonly licence: "OFL-1.1" | "Apache-2.0";
  readonly licenceFile: string;
}

const expo = (pack: string, file: string, info: FaceInfo, licence: ShippedFace["licence"] = "OFL-1.1"): ShippedFace => ({
  ...info,
  licence,
  file: `@expo-google-fonts/${pack}/${file}.ttf`,
  licenceFile: `@expo-google-fonts/${pack}/LICENSE_FONT`,
});
const source = (pack: string, file: string, info: FaceInfo, licence: ShippedFace["licence"] = "OFL-1.1"): ShippedFace => ({
  ...info,
  licence,
  file: `@fontsource/${pack}/files/${pack}-latin-${file}-normal.woff2`,
  licenceFile: `@fontsource/${pack}/LICENSE`,
});
const variable = (pack: string, set: string, info: FaceInfo): ShippedFace => ({
  ...info,
  licence: "OFL-1.1",
  file: `@fontsource-variable/${pack}/files/${pack}-latin-${set}-normal.woff2`,
  licenceFile: `@fontsource-variable/${pack}/LICENSE`,
});

/** Faces of all kinds that lettering uses. Variable faces stand at a fixed place of their axes. */
export const shippedFaces: readonly ShippedFace[] = [
  expo("archivo-black", "400Regular/ArchivoBlack_400Regular", { id: "archivo-black", name: "Archivo Black", kind: "Heavy grotesque" }),
  expo("anton", "400Regular/Anton_400Regular", { id: "anton", name: "Anton", kind: "Heavy condensed" }),
  source("special-gothic-expanded-one", "400", { id: "special-gothic-expanded", name: "Special Gothic Expanded One", kind: "Wide" }),
  expo("league-gothic", "400Regular/LeagueGothic_400Regular", { id: "league-gothic", name: "League Gothic", kind: "Condensed" }),
  source("alfa-slab-one", "400", { id: "alfa-slab", name: "Alfa Slab One", kind: "Slab" }),
  expo("abril-fatface", "400Regular/AbrilFatface_400Regular", { id: "abril-fatface", name: "Abril Fatface", kind: "Fat face" }),
  expo("shrikhand", "400Regular/Shrikhand_400Regular", { id: "shrikhand", name: "Shrikhand", kind: "Fat italic" }),
  source("saira-stencil-one", "400", { id: "saira-stencil", name: "Saira Stencil One", kind: "Stencil" }),
  source("unifrakturcook", "700", { id: "unifrakturcook", name: "UnifrakturCook", kind: "Blackletter" }),
  source("kaushan-script", "400", { id: "kaushan-script", name: "Kaushan Script", kind: "Brush script" }),
  source("yellowtail", "400", { id: "yellowtail", name: "Yellowtail", kind: "Joined brush" }, "Apache-2.0"),
  expo("pacifico", "400Regular/Pacifico_400Regular", { id: "pacifico", name: "Pacifico", kind: "Joined casual" }),
  expo("comfortaa", "700Bold/Comfortaa_700Bold", { id: "comfortaa", name: "Comfortaa Bold", kind: "Monoline rounded" }),
  expo("righteous", "400Regular/Righteous_400Regular", { id: "righteous", name: "Righteous", kind: "Deco" }),
  expo("rye", "400Regular/Rye_400Regular", { id: "rye", name: "Rye", kind: "Western" }),
  expo("monoton", "400Regular/Monoton_400Regular", { id: "monoton", name: "Monoton", kind: "Inline" }),
  expo("bangers", "400Regular/Bangers_400Regular", { id: "bangers", name: "Bangers", kind: "Comic" }),
  expo("luckiest-guy", "400Regular/LuckiestGuy_400Regular", { id: "luckiest-guy", name: "Luckiest Guy", kind: "Sign" }, "Apache-2.0"),
  variable("fraunces", "full", {
    id: "fraunces",
    name: "Fraunces Black",
    kind: "Variable serif",
    axes: { wght: 900, opsz: 144, SOFT: 0, WONK: 0 },
  }),
  variable("bricolage-grotesque", "standard", {
    id: "bricolage",
    name: "Bricolage Grotesque",
    kind: "Variable grotesque",
    axes: { wght: 800, opsz: 96, wdth: 100 },
  }),
  variable("kalnia", "standard", { id: "kalnia", name: "Kalnia", kind: "Variable fat face", axes: { wght: 700, wdth: 100 } }),
  variable("fredoka", "standard", { id: "fredoka", name: "Fredoka", kind: "Variable rounded", axes: { wght: 700, wdth: 100 } }),
  expo("marhey", "700Bold/Marhey_700Bold", { id: "marhey", name: "Marhey Bold", kind: "Arabic" }),
  expo("baloo-2", "800ExtraBold/Baloo2_800ExtraBold", { id: "baloo-2", name: "Baloo 2 ExtraBold", kind: "Devanagari" }),
];
