import TextField from "@mui/material/TextField";
import { useState } from "react";

type Props = {
  label: string;
  words: string;
  most: number;
  onWords: (words: string) => void;
  placeholder?: string;
};

/** A few words of the gardener's own, kept when the field is left; what is too long stays and says so. */
export function WordsField({ label, words, most, onWords, placeholder }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? words;
  const tooLong = shown.trim().length > most;
  const commit = () => {
    if (typed === null || tooLong) return;
    if (typed.trim() !== words) onWords(typed.trim());
    setTyped(null);
  };
  return (
    <TextField
      label={label}
      value={shown}
      placeholder={placeholder}
      error={tooLong}
      helperText={
        tooLong ? `Up to ${most} letters; this has ${shown.trim().length} and isn't kept yet.` : null
      }
      onChange={(event) => setTyped(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => event.key === "Enter" && (event.target as HTMLElement).blur()}
    />
  );
}
