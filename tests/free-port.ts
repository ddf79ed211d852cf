import { once } from "node:events";
import { createServer, type AddressInfo } from "node:net";

/** A port of this machine that nobody listens on. */
export async function freePort(): Promise<number> {
  const probe = createServer().listen(0, "127.0.0.1");
  await once(probe, "listening");
  const { port } = probe.address() as AddressInfo;
  probe.close();
  await once(probe, "close");
  return port;
}
