import { Command, CommanderError, InvalidArgumentError } from "commander";
import { listKinds } from "../core/kinds";
import { Problem } from "../core/problem";
import { check } from "./check";
import { curves, curvesHelp } from "./curves";
import { render } from "./render";
import { allStyles } from "./styles";
import { shippedFaces } from "../server/faces/shipped";

const number = (least: number, most: number) => (text: string) => {
  const value = Number(text);
  if (!(value >= least && value <= most)) throw new InvalidArgumentError(`A number from ${least} to ${most} is needed.`);
  return value;
};

const print = (line: string): void => void process.stdout.write(`${line}\n`);

const program = new Command("vextal")
  .description("Letters words in styles, from a terminal, with the same core as the application.")
  .exitOverride()
  .configureOutput({ outputError: () => {} });

program
  .command("render")
  .description("letter a text in a style, or draw a piece, as an SVG, PNG or PDF file")
  .option("--text <text>", "the words; \\n starts a line")
  .option("--face <name>", "name or id of a face (see “faces”)")
  .option("--style <name>", "name of a style (see “styles”), or a style file")
  .option("--size <pixels>", "pixels to the em", number(1, 20_000), 240)
  .option("--piece <file>", "a piece file, or an SVG with its piece inside, instead of --text")
  .option("--times <times>", "a PNG of so many times the board's pixels", number(0.01, 100))
  .option("--width <pixels>", "a PNG so many pixels wide", number(1, 1_000_000))
  .option(
    "--dpi <dpi>",
    "pixels to the inch of a PNG (of a board in pixels, only how large it prints), or of what is blurred in a PDF",
    number(1, 4800),
  )
  .option("--as <output>", "which output, where several end alike (see “kinds”): svg-with-piece")
  .option("--no-ground", "leave the ground of the piece transparent")
  .requiredOption("--out <file>", "FILE.svg, FILE.png or FILE.pdf")
  .action(render);

program
  .command("styles")
  .description("the styles at hand, one a line")
  .option("--json", "as JSON")
  .action(async ({ json }: { json?: boolean }) => {
    const styles = await allStyles();
    if (json)
      print(
        JSON.stringify(
          styles.map(({ id, name, measure, inks, coats }) => ({ id, name, measure, inks, coats: coats.map((c) => c.name) })),
          null,
          1,
        ),
      );
    else for (const s of styles) print(s.name);
  });

program
  .command("kinds")
  .description("every form step, paint, lay, finish, guide line, shape and output with its settings, one a line")
  .option("--json", "as JSON")
  .action(({ json }: { json?: boolean }) => {
    const kinds = listKinds();
    if (json) print(JSON.stringify(kinds, null, 1));
    else
      for (const { group, kind, params } of kinds)
        print([group.padEnd(6), kind.padEnd(14), Object.keys(params).join(" ")].join(" ").trimEnd());
  });

program
  .command("faces")
  .description("the faces at hand, one a line")
  .option("--json", "as JSON")
  .action(({ json }: { json?: boolean }) => {
    if (json)
      print(
        JSON.stringify(
          shippedFaces.map(({ id, name, kind, axes, licence }) => ({ id, name, kind, axes, licence })),
          null,
          1,
        ),
      );
    else for (const f of shippedFaces) print(f.name);
  });

program
  .command("check")
  .description("say whether a piece, style or font file is sound, and if not, where")
  .argument("<file>")
  .action(async (file: string) => print(await check(file)));

program
  .command("curves")
  .description("answer geometry, a JSON line at a time: booleans, grown outlines, bands, sweeps, bends, measures")
  .addHelpText("after", curvesHelp)
  .action(curves);

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof CommanderError && error.exitCode === 0) process.exit(0);
  const known = error instanceof Problem || error instanceof CommanderError || (error as NodeJS.ErrnoException).code !== undefined;
  const message = (error as Error).message.replace(/^error: /, "").replace(/\s+/g, " ");
  process.stderr.write(`vextal: ${known ? message : `fault in Vextal: ${message}`}\n`);
  process.exit(1);
}
