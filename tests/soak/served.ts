import { spawn, type ChildProcess } from "node:child_process";
import { once } from "node:events";
import { readFileSync } from "node:fs";
import path from "node:path";
import { freePort } from "../free-port";

/** Longer than this no answer takes, in milliseconds: it hangs. */
export const hangs = 30_000;

/** The built application with a database of its own, on this machine only. */
export class Served {
  private constructor(
    readonly address: string,
    readonly process: ChildProcess,
  ) {}

  static async start(folder: string): Promise<Served> {
    const port = await freePort();
    const child = spawn(process.execPath, ["scripts/serve.mjs", "127.0.0.1", String(port)], {
      env: { ...process.env, NODE_ENV: "production", NODE_OPTIONS: "", DATABASE_URL: `file:${path.join(folder, "soak.db")}` },
      stdio: "ignore",
    });
    return new Served(`http://127.0.0.1:${port}`, child);
  }

  get ended(): boolean {
    return this.process.exitCode !== null || this.process.signalCode !== null;
  }

  /** Waits until it answers. */
  async ready(): Promise<void> {
    for (const end = Date.now() + hangs; Date.now() < end && !this.ended; await new Promise((r) => setTimeout(r, 50)))
      if ((await this.ask("/api/pieces")).status === 200) return;
    throw new Error("The server did not start.");
  }

  async end(signal: NodeJS.Signals): Promise<void> {
    if (this.ended) return;
    const gone = once(this.process, "exit");
    this.process.kill(signal);
    await gone;
  }

  /** Memory in megabytes, of the server alone. */
  get memory(): number {
    const pages = Number(readFileSync(`/proc/${this.process.pid}/statm`, "utf8").split(" ")[1]);
    return (pages * 4096) / 1e6;
  }

  /** @returns status 0 where no answer came, -1 where none came in time */
  async ask(address: string, init: RequestInit = {}): Promise<{ status: number; body: Buffer; ms: number }> {
    const start = performance.now();
    try {
      const response = await fetch(this.address + address, { ...init, signal: AbortSignal.timeout(hangs) });
      return { status: response.status, body: Buffer.from(await response.arrayBuffer()), ms: performance.now() - start };
    } catch (error) {
      return { status: (error as Error).name === "TimeoutError" ? -1 : 0, body: Buffer.alloc(0), ms: performance.now() - start };
    }
  }

  json = (method: string, address: string, value: unknown, headers: Record<string, string> = {}) =>
    this.ask(address, { method, headers: { "content-type": "application/json", ...headers }, body: JSON.stringify(value) });

  file(address: string, field: string, bytes: Uint8Array, name: string) {
    const form = new FormData();
    form.set(field, new File([new Uint8Array(bytes)], name));
    return this.ask(address, { method: "POST", body: form });
  }
}
