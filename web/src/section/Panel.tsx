import { useState, type ReactNode } from "react";

type Props = { title: string; said: ReactNode; children: () => ReactNode };

/** A line of the tally that opens to what lies behind it. */
export function Panel({ title, said, children }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <details data-part="panel" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary>
        <span>{title}</span>
        <b>{said}</b>
      </summary>
      {open && <div>{children()}</div>}
    </details>
  );
}
