import { useCallback, useRef, useState } from "react";

export type Size = { width: number; height: number };

/** The size of an element as it is laid out, followed while it changes. */
export function useSize<T extends HTMLElement>(): [(node: T | null) => void, Size] {
  const [size, setSize] = useState<Size>({ width: 0, height: 0 });
  const observer = useRef<ResizeObserver | null>(null);
  const ref = useCallback((node: T | null) => {
    observer.current?.disconnect();
    if (!node) return;
    const measure = () => {
      const { clientWidth: width, clientHeight: height } = node;
      setSize((before) => (before.width === width && before.height === height ? before : { width, height }));
    };
    // told first once the page is laid out anyway: asked for here, it would be laid out in the middle of being made
    observer.current = new ResizeObserver(measure);
    observer.current.observe(node);
  }, []);
  return [ref, size];
}
