import { beforeAll, describe, expect, jest, test } from "@jest/globals";
import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { Tooltip } from "radix-ui";
import { useState } from "react";
import { unitFactors } from "../drawer/units";
import { build, patch, withIds } from "../bench/patch-svg";
import type { SvgNode } from "@/core/output/svg-node";
import { Choice } from "./choice";
import { NumberField } from "./number-field";

function Harness({ onValue, start = 10 }: { onValue: (v: number) => void; start?: number }) {
  const [value, setValue] = useState(start);
  return (
    <NumberField
      label="Size"
      value={value}
      suffix="px"
      units={unitFactors("px")}
      min={0}
      max={500}
      onChange={(v) => {
        setValue(v);
        onValue(v);
      }}
    />
  );
}

/** Two fields of one value, each of which puts its own part into what it saw when it was last drawn. */
function Pair() {
  const [place, setPlace] = useState({ x: 1, y: 2 });
  return (["x", "y"] as const).map((axis) => (
    <NumberField
      key={axis}
      label={axis}
      value={place[axis]}
      units={unitFactors("px")}
      onChange={(v) => setPlace({ ...place, [axis]: v })}
    />
  ));
}

describe("a number field", () => {
  // What reads sums is loaded when the first one is typed; here that is no part of what is tested.
  beforeAll(() => import("mathjs"), 60_000);

  test("that is read late does not undo what was typed into its neighbour meanwhile", async () => {
    render(<Pair />);
    const [x, y] = [screen.getByLabelText<HTMLInputElement>("x"), screen.getByLabelText<HTMLInputElement>("y")];
    // Both are being read before either is done.
    fireEvent.change(x, { target: { value: "3 + 4" } });
    fireEvent.keyDown(x, { key: "Enter" });
    fireEvent.change(y, { target: { value: "5 + 6" } });
    fireEvent.keyDown(y, { key: "Enter" });
    await waitFor(() => expect([x.value, y.value]).toEqual(["7", "11"]));
  });

  test("that is read late does not call back a hand that has gone on to its neighbour", async () => {
    const selected: string[] = [];
    const select = jest.spyOn(HTMLInputElement.prototype, "select").mockImplementation(function (this: HTMLInputElement) {
      selected.push(this.getAttribute("aria-label")!);
      // As Chromium does.
      this.focus();
    });
    render(<Pair />);
    const [x, y] = [screen.getByLabelText<HTMLInputElement>("x"), screen.getByLabelText<HTMLInputElement>("y")];
    x.focus();
    fireEvent.change(x, { target: { value: "3 + 4" } });
    fireEvent.keyDown(x, { key: "Enter" });
    y.focus();
    selected.length = 0;
    await waitFor(() => expect(x.value).toBe("7"));
    await new Promise((go) => setTimeout(go));
    expect([document.activeElement, selected]).toEqual([y, []]);
    // Who has stayed has the number selected, to type the next one.
    x.focus();
    selected.length = 0;
    fireEvent.change(x, { target: { value: "1 + 1" } });
    fireEvent.keyDown(x, { key: "Enter" });
    await waitFor(() => expect(selected).toEqual(["x"]));
    select.mockRestore();
  });

  const setup = () => {
    const onValue = jest.fn();
    render(<Harness onValue={onValue} />);
    return { onValue, field: screen.getByLabelText<HTMLInputElement>("Size"), user: userEvent.setup() };
  };

  test("takes units and sums, and keeps to its limits", async () => {
    const { onValue, field, user } = setup();
    await user.clear(field);
    await user.type(field, "1in + 4{Enter}");
    await screen.findByDisplayValue("100");
    expect(onValue).toHaveBeenLastCalledWith(100);
    await user.clear(field);
    await user.type(field, "9000{Enter}");
    await screen.findByDisplayValue("500");
  });

  test("steps with the arrow keys: Shift tenfold, Alt a tenth", async () => {
    const { onValue, field } = setup();
    field.focus();
    fireEvent.keyDown(field, { key: "ArrowUp" });
    fireEvent.keyDown(field, { key: "ArrowUp", shiftKey: true });
    fireEvent.keyDown(field, { key: "ArrowDown", altKey: true });
    expect(onValue.mock.calls.map(([v]) => v)).toEqual([11, 21, 20.9]);
  });

  test("puts back what it had where it cannot read what was typed", async () => {
    const { onValue, field, user } = setup();
    await user.clear(field);
    await user.type(field, "twelve{Enter}");
    await screen.findByDisplayValue("10");
    expect(onValue).not.toHaveBeenCalled();
    expect(field).toHaveAttribute("aria-invalid", "true");
  });

  test("Escape gives up", async () => {
    const { onValue, field, user } = setup();
    await user.type(field, "77{Escape}");
    expect(field).toHaveValue("10");
    expect(onValue).not.toHaveBeenCalled();
  });
});

test("a choice shows which option is on, and can be worked with the keyboard", async () => {
  const onChange = jest.fn();
  const options = ["left", "centre", "right"].map((value) => ({ value, label: value, hint: value }));
  render(
    <Tooltip.Provider>
      <Choice label="Align" value="centre" options={options} onChange={onChange} />
    </Tooltip.Provider>,
  );
  expect(screen.getByRole("radio", { name: "centre" })).toBeChecked();
  const user = userEvent.setup();
  await user.tab();
  await user.keyboard("{ArrowRight}{Enter}");
  expect(onChange).toHaveBeenCalledWith("right");
});

describe("patching the bench's SVG", () => {
  const path = (d: string, fill = "#000000") => ({ name: "path", attributes: { d, fill } });
  const group = (...children: ReturnType<typeof path>[]) => ({ name: "g", attributes: {}, children });

  test("touches only what changed", () => {
    const before = group(path("M0 0h1"), path("M5 5h1"));
    const element = build(before);
    const [first, second] = element.children;
    const after = group(path("M0 0h1"), path("M5 5h1", "#ff0000"));
    patch(element, after, before);
    expect(element.children[0]).toBe(first);
    expect(element.children[1]).toBe(second);
    expect(second.getAttribute("fill")).toBe("#ff0000");
  });

  test("adds and takes away letters, attributes and other kinds of elements", () => {
    const before = group(path("a"), path("b"), path("c"));
    const element = build(before);
    const fewer = { name: "g", attributes: { opacity: 0.5 }, children: [{ name: "defs", attributes: {}, children: [] }, path("b")] };
    patch(element, fewer, before);
    expect([...element.children].map((c) => c.tagName)).toEqual(["defs", "path"]);
    expect(element.getAttribute("opacity")).toBe("0.5");
    patch(element, before, fewer);
    expect(element.hasAttribute("opacity")).toBe(false);
    expect([...element.children].map((c) => c.getAttribute("d"))).toEqual(["a", "b", "c"]);
  });
});

test("a drawing that stands twice in a document has ids of its own in each place, with all that refers to them", () => {
  const node: SvgNode = {
    name: "g",
    attributes: {},
    children: [
      { name: "defs", attributes: {}, children: [{ name: "path", attributes: { id: "a", d: "M0 0h1v1z" } }] },
      { name: "use", attributes: { href: "#a", fill: "url(#b)", transform: "matrix(1 0 0 1 0 0)" } },
      { name: "image", attributes: { href: "/api/photos/1" } },
    ],
  };
  const [defs, use, image] = withIds(node, "s-").children!;
  expect(defs.children![0].attributes).toEqual({ id: "s-a", d: "M0 0h1v1z" });
  expect(use.attributes).toEqual({ href: "#s-a", fill: "url(#s-b)", transform: "matrix(1 0 0 1 0 0)" });
  expect(image.attributes).toEqual({ href: "/api/photos/1" });
});
