// Takes pictures of bodies beside the page, which goes on meanwhile.
import { expose } from "comlink";
import { studioOn } from "./take";

expose(studioOn((width, height) => new OffscreenCanvas(width, height)));
