import { useCallback, useEffect, useRef, useState } from "react";

/** Pictures asked for at once: a browser keeps six connections, and what is clicked needs one that is free. */
const atOnce = 2;

let under = 0;
let held = false;
const waiting: (() => void)[] = [];

function next(): void {
  while (!held && under < atOnce && waiting.length) {
    under++;
    waiting.shift()!();
  }
}

/** Asks for no more pictures, since the page is being left, or goes on. */
export function hold(on: boolean): void {
  held = on;
  next();
}

/**
 * Whether it is a picture's turn to be asked for, from top to bottom of the page.
 * @returns also what to call when it is there or failed
 */
export function useTurn(): { turn: boolean; done: () => void } {
  const [turn, setTurn] = useState(false);
  const finish = useRef(() => {});
  useEffect(() => {
    let state: "waiting" | "under" | "over" = "waiting";
    const start = () => {
      state = "under";
      setTurn(true);
    };
    const over = () => {
      if (state === "under") under--;
      if (state === "waiting") waiting.splice(waiting.indexOf(start), 1);
      state = "over";
      next();
    };
    finish.current = over;
    waiting.push(start);
    next();
    return over;
  }, []);
  return { turn, done: useCallback(() => finish.current(), []) };
}
