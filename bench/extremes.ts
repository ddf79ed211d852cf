/**
 * npm run extremes [-- count [first]]: random settings within their own ranges on random words (2,000), each drawn in a process that is
 * ended when it takes over 20 seconds: processor time, memory, numbers that are none, and coats that draw nothing without a word.
 * Ends with status 1 where one is over 5 seconds or 500 MB, says what no user should read, or is empty in silence.
 */
import { fork, type ChildProcess } from "node:child_process";
import { fileURLToPath } from "node:url";
import { engineWith } from "../tests/engine";
import { extreme, tried, type Extreme } from "../tests/extremes";
import { grounds } from "../tests/transplants";

const limits = { seconds: 5, megabytes: 500, patience: 20_000 };
type Answer = Extreme & { readonly seconds: number; readonly megabytes: number };

if (process.send) {
  const engine = await engineWith(...grounds.map((g) => g.face));
  globalThis.gc?.();
  process.on("message", (seed: number) => {
    const before = process.memoryUsage.rss();
    const cpu = process.cpuUsage();
    const result = tried(extreme(seed), engine);
    const { user, system } = process.cpuUsage(cpu);
    process.send!({ ...result, seconds: (user + system) / 1e6, megabytes: Math.max(0, process.memoryUsage.rss() - before) / 1e6 });
  });
  process.send("ready");
} else {
  const [count, first] = [Number(process.argv[2] ?? 2000), Number(process.argv[3] ?? 1)];
  let child: ChildProcess | undefined;
  const begin = () =>
    new Promise<ChildProcess>((resolve) => {
      const made = fork(fileURLToPath(import.meta.url), [], {
        execArgv: [...process.execArgv, "--expose-gc", "--max-old-space-size=3000"],
      });
      made.once("message", () => resolve(made));
    });
  const ask = async (seed: number): Promise<Answer | string> => {
    const at = (child ??= await begin());
    return new Promise((resolve) => {
      const end = (answer: Answer | string) => {
        clearTimeout(timer);
        at.removeAllListeners();
        if (typeof answer === "string") {
          at.kill("SIGKILL");
          child = undefined;
        }
        resolve(answer);
      };
      const timer = setTimeout(() => end(`over ${limits.patience / 1000} s`), limits.patience);
      at.once("message", (answer) => end(answer as Answer));
      at.once("exit", () => end("ended the process"));
      at.send(seed);
    });
  };
  const counts = { slow: 0, large: 0, wrong: 0, silent: 0, empty: 0 };
  let [most, largest] = [0, 0];
  for (let seed = first; seed < first + count; seed++) {
    const answer = await ask(seed);
    const { name } = extreme(seed);
    if (typeof answer === "string") {
      counts.slow++;
      console.log(`${seed} (${name}): ${answer}`);
      continue;
    }
    [most, largest] = [Math.max(most, answer.seconds), Math.max(largest, answer.megabytes)];
    const said: string[] = [...new Set(answer.wrong)];
    if (said.length) counts.wrong++;
    if (answer.empty) counts.empty++;
    const note = (count: "slow" | "large" | "silent", text: string) => {
      counts[count]++;
      said.push(text);
    };
    if (answer.seconds > limits.seconds) note("slow", `${answer.seconds.toFixed(1)} s`);
    if (answer.megabytes > limits.megabytes) note("large", `${answer.megabytes.toFixed(0)} MB`);
    if (answer.empty && !answer.message) note("silent", "draws nothing, and does not say why");
    if (said.length) console.log(`${seed} (${name}): ${said.join("; ")}`);
    if ((seed - first + 1) % 250 === 0) console.log(`${seed - first + 1} tried: ${JSON.stringify(counts)}`);
  }
  console.log(
    `${count} settings: ${counts.slow} over ${limits.seconds} s (most ${most.toFixed(1)}), ${counts.large} over ${limits.megabytes} MB`,
  );
  console.log(`${counts.wrong} with what is no number, ${counts.empty} empty, ${counts.silent} of them without a word`);
  child?.kill();
  process.exitCode = counts.slow + counts.large + counts.wrong + counts.silent ? 1 : 0;
}
