import { behind } from "./behind";
import { depth } from "./depth";
import { edges } from "./edge";
import { faces } from "./face";
import { glow } from "./glow";
import { over } from "./over";
import { print } from "./print";
import type { Starter } from "./starter";

/** Every starting coat, in the order they are offered. */
export const allStarters: readonly Starter[] = [...behind, ...depth, ...edges, ...faces, ...over, ...glow, ...print];
