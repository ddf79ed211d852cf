import { expect, test } from "@jest/globals";
import { act, render } from "@testing-library/react";
import { studioNow, useParts } from "./store";

test("what reads some of the state is drawn anew only where that changes: a hover redraws nothing but what it shows", () => {
  let drawings = 0;
  function Drawer() {
    const { stage, coatId } = useParts("stage", "coatId");
    drawings++;
    return (
      <p>
        {stage} {coatId}
      </p>
    );
  }
  render(<Drawer />);
  expect(drawings).toBe(1);
  act(() => studioNow().set({ shownUpTo: "coat" }));
  act(() => studioNow().set({ view: { zoom: 2, x: 0, y: 0 } }));
  expect(drawings).toBe(1);
  act(() => studioNow().set({ stage: "coats", coatId: "coat" }));
  expect(drawings).toBe(2);
});
