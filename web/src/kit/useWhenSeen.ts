import { useCallback, useRef, useState } from "react";

/** Whether an element has come into view yet; once it has, it stays so. */
export function useWhenSeen<T extends HTMLElement>(): [(node: T | null) => void, boolean] {
  const [seen, setSeen] = useState(false);
  const observer = useRef<IntersectionObserver | null>(null);
  const ref = useCallback((node: T | null) => {
    observer.current?.disconnect();
    if (!node) return;
    observer.current = new IntersectionObserver((entries) => {
      if (!entries.some(({ isIntersecting }) => isIntersecting)) return;
      setSeen(true);
      observer.current?.disconnect();
    });
    observer.current.observe(node);
  }, []);
  return [ref, seen];
}
