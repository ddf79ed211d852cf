declare module "clipper2-wasm/dist/es/clipper2z.js" {
  export default function create(options?: {
    locateFile?: (file: string) => string;
    wasmBinary?: Uint8Array;
  }): Promise<import("clipper2-wasm/dist/clipper2z").MainModule>;
}
