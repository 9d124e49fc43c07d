/** A key that nothing else has; also on a phone that reaches the machine at home without a certificate. */
export function freshKey(): string {
  return [...crypto.getRandomValues(new Uint8Array(16))]
    .map((each) => each.toString(16).padStart(2, "0"))
    .join("");
}
