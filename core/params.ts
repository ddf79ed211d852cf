export * from "./params/kind";
export * from "./params/param";
export * from "./params/schema";
