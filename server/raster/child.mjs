// Draws one SVG as PNG in a process of its own, so that a fault or a hunger for memory ends nothing else.
import { Resvg } from "@resvg/resvg-js";

process.once("message", ({ svg, width }) => {
  const picture = new Resvg(svg, {
    fitTo: { mode: "width", value: width },
    font: { loadSystemFonts: false },
    logLevel: "off",
  }).render();
  // It is ended by who asked, when the picture has arrived: what ends by itself may be gone before its last message is read.
  process.send({ png: picture.asPng(), width: picture.width, height: picture.height });
});
process.once("disconnect", () => process.exit(0));
