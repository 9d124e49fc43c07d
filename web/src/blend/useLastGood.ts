import { useState } from "react";

/** What was answered last; an answer that is refused leaves it standing. */
export function useLastGood<T>(answered: T | undefined): T | null {
  const [good, setGood] = useState<T | null>(answered ?? null);
  if (answered !== undefined && answered !== good) setGood(answered);
  return answered ?? good;
}
