/** Milliseconds to the second frame after a scene was shown: more is seen as stutter. */
const stutter = 50;
/** How often that happens in a drag before less is painted. */
const patience = 2;

/** Whether the page keeps up with painting what is dragged: how long frames take is known only by waiting for them. */
export class Pace {
  #late = 0;
  #waiting = false;

  /**
   * @param frame calls back before the next frame is painted
   * @param clock milliseconds
   */
  constructor(
    private readonly frame: (then: () => void) => void = (then) => void requestAnimationFrame(then),
    private readonly clock: () => number = () => performance.now(),
  ) {}

  get isBehind(): boolean {
    return this.#late >= patience;
  }

  /** To be told of each scene that is shown in a drag. */
  shown(): void {
    if (this.#waiting) return;
    this.#waiting = true;
    const start = this.clock();
    // The first may come before anything of it was painted.
    this.frame(() =>
      this.frame(() => {
        this.#waiting = false;
        if (this.clock() - start > stutter) this.#late++;
      }),
    );
  }

  /** The next drag is judged anew. */
  begin(): void {
    this.#late = 0;
  }
}
