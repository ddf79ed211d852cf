import { useEffect, useRef, useState } from "react";

/** A value that changes many times a second, no more often than so many milliseconds apart; the last one always comes. */
export function useUnhurried<T>(value: T, apart: number): T {
  const [shown, setShown] = useState(value);
  const since = useRef(0);
  useEffect(() => {
    const show = () => {
      since.current = performance.now();
      setShown(() => value);
    };
    const timer = setTimeout(show, Math.max(0, since.current + apart - performance.now()));
    return () => clearTimeout(timer);
  }, [value, apart]);
  return shown;
}
