import { useEffect, type RefObject } from "react";
import { studioNow } from "../state/store";
import { zoomed } from "./view";

/** The wheel pans, with Ctrl it zooms about the pointer; the space bar held turns the pointer into a hand. */
export function usePanning(host: RefObject<HTMLDivElement | null>, setPanning: (on: boolean) => void): void {
  useEffect(() => {
    const h = host.current!;
    const wheel = (e: WheelEvent) => {
      e.preventDefault();
      const { view, set } = studioNow();
      const box = h.getBoundingClientRect();
      if (e.ctrlKey || e.metaKey)
        set({ view: zoomed(view, Math.exp(-e.deltaY * 0.004), { x: e.clientX - box.left, y: e.clientY - box.top }) });
      else set({ view: { ...view, x: view.x - (e.shiftKey ? e.deltaY : e.deltaX), y: view.y - (e.shiftKey ? 0 : e.deltaY) } });
    };
    const key = (e: KeyboardEvent) => {
      if (e.code !== "Space" || (e.target as HTMLElement).closest("input, textarea, button, [role=slider], [role=radio]")) return;
      setPanning(e.type === "keydown");
      e.preventDefault();
    };
    h.addEventListener("wheel", wheel, { passive: false });
    window.addEventListener("keydown", key);
    window.addEventListener("keyup", key);
    return () => {
      h.removeEventListener("wheel", wheel);
      window.removeEventListener("keydown", key);
      window.removeEventListener("keyup", key);
    };
  }, [host, setPanning]);
}
