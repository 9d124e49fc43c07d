import Accordion from "@mui/material/Accordion";
import AccordionDetails from "@mui/material/AccordionDetails";
import AccordionSummary from "@mui/material/AccordionSummary";
import { useState, type ReactNode } from "react";

type Props = {
  title: ReactNode;
  /** What is said at the line's end. */
  said?: ReactNode;
  /** Drawn only once it is opened. */
  children: () => ReactNode;
  startsOpen?: boolean;
};

/** A line that opens to what lies behind it. */
export function Disclosure({ title, said, children, startsOpen = false }: Props) {
  const [open, setOpen] = useState(startsOpen);
  return (
    <Accordion expanded={open} onChange={(_event, opened) => setOpen(opened)} data-part="disclosure">
      <AccordionSummary>
        <span>{title}</span>
        {said !== undefined && <b>{said}</b>}
      </AccordionSummary>
      <AccordionDetails>{open && children()}</AccordionDetails>
    </Accordion>
  );
}
