import { expect, test } from "@jest/globals";
import { flatMesh } from "../core/bend/mesh";
import { newLettering, type Lettering } from "../core/piece/schema";
import { Drafting } from "./drafting";

const lettering = (values: Partial<Lettering> = {}) =>
  newLettering({
    id: "a",
    text: "Night",
    face: "f",
    size: 100,
    letterSpacing: 0,
    lineSpacing: 1,
    align: "centre",
    x: 0,
    y: 0,
    styleId: null,
    ownStyle: null,
    ...values,
  });

test("nothing is a draft unless something is dragged", () => {
  const drafting = new Drafting();
  expect(drafting.next([lettering()], false)).toBe(false);
  drafting.exactTook(300, false);
  expect(drafting.next([lettering({ text: "Nights" })], false)).toBe(false);
});

test("the first scene of a drag is a draft where the item took long before", () => {
  const drafting = new Drafting();
  drafting.next([lettering()], false);
  drafting.exactTook(300, false);
  expect(drafting.next([lettering({ letterSpacing: 5 })], true)).toBe(true);
  expect(drafting.next([lettering({ letterSpacing: 6 })], true)).toBe(true);
  // Let go, it is drawn exactly, and has become quick.
  expect(drafting.next([lettering({ letterSpacing: 6, text: "N" })], false)).toBe(false);
  drafting.exactTook(4, false);
  expect(drafting.next([lettering({ letterSpacing: 7, text: "N" })], true)).toBe(false);
});

test("a drag that turns out slow goes on in drafts, and the next one is judged anew", () => {
  const drafting = new Drafting();
  expect(drafting.next([lettering()], true)).toBe(false);
  drafting.exactTook(40, true);
  expect(drafting.next([lettering()], true)).toBe(true);
  expect(drafting.next([lettering()], false)).toBe(false);
  drafting.exactTook(0, false);
  expect(drafting.next([lettering()], true)).toBe(false);
});

test("what was drawn in drafts is judged by the exact scene that follows, though nothing changes in between", () => {
  const drafting = new Drafting();
  drafting.next([lettering()], false);
  drafting.exactTook(300, false);
  expect(drafting.next([lettering({ size: 50 })], true)).toBe(true);
  expect(drafting.next([lettering({ size: 50 })], false)).toBe(false);
  drafting.exactTook(4, false);
  expect(drafting.next([lettering({ size: 51 })], true)).toBe(false);
});

test("a node of an envelope is part of what an item is made of", () => {
  const drafting = new Drafting();
  const bent = (x: number) => {
    const mesh = flatMesh();
    return lettering({
      bend: { kind: "envelope", scope: "block", gap: 0, meshes: [{ ...mesh, nodes: mesh.nodes.map((n, i) => (i ? n : { ...n, x })) }] },
    });
  };
  drafting.next([bent(0)], false);
  drafting.exactTook(300, false);
  expect(drafting.next([bent(0)], true)).toBe(false);
  expect(drafting.next([bent(0.1)], true)).toBe(true);
});

test("what is only placed elsewhere, or stands beside what is dragged, is not made a draft", () => {
  const drafting = new Drafting();
  const other = lettering({ id: "b" });
  drafting.next([lettering(), other], false);
  drafting.exactTook(300, false);
  expect(drafting.next([lettering({ x: 50, turn: 20 }), other], true)).toBe(false);
  // Made anew by itself it is quick.
  drafting.next([lettering({ text: "N" }), other], false);
  drafting.exactTook(3, false);
  expect(drafting.next([lettering({ text: "N", letterSpacing: 9 }), other], true)).toBe(false);
  expect(drafting.next([lettering({ text: "N", letterSpacing: 9 }), lettering({ id: "b", letterSpacing: 1 })], true)).toBe(true);
});

test("what the page cannot paint in time goes on in drafts, unless it is only moved", () => {
  const drafting = new Drafting();
  drafting.next([lettering()], false);
  drafting.exactTook(3, false);
  expect(drafting.next([lettering({ x: 5 })], true, true)).toBe(false);
  expect(drafting.next([lettering({ letterSpacing: 5 })], true, true)).toBe(true);
  expect(drafting.next([lettering({ letterSpacing: 6 })], true)).toBe(true);
  expect(drafting.next([lettering({ letterSpacing: 6 })], false)).toBe(false);
});

test("so does what changes under another light, or in another style, which are no item's own", () => {
  const drafting = new Drafting();
  const item = lettering();
  drafting.next([item], false);
  drafting.exactTook(3, false);
  expect(drafting.next([item], true, false)).toBe(false);
  expect(drafting.next([item], true, true)).toBe(true);
});

test("an item that is gone is forgotten", () => {
  const drafting = new Drafting();
  drafting.next([lettering()], false);
  drafting.exactTook(300, false);
  drafting.next([], false);
  expect(drafting.next([lettering()], true)).toBe(false);
});
