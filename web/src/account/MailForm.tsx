import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { saidOf } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Narrow } from "./account.styles";
import { accountApi } from "./accountApi";
import { PasswordField } from "./PasswordField";

/** Where a code is sent to when the password is forgotten. */
export function MailForm({ mail }: { mail: string }) {
  const queries = useQueryClient();
  const [address, setAddress] = useState(mail);
  const [password, setPassword] = useState("");
  const change = useMutation({
    mutationFn: () => accountApi.changeMail(address, password),
    onSuccess: (account) => {
      queries.setQueryData(["account"], account);
      setPassword("");
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change.mutate();
  };
  return (
    <Narrow as="form" onSubmit={submit}>
      <Note>
        A code goes there when you have forgotten the password; nothing else ever does. Without one, whoever
        keeps this Nolbet can print you a code.
      </Note>
      <TextField
        label="Mail address, empty for none"
        type="email"
        autoComplete="email"
        value={address}
        onChange={(event) => setAddress(event.currentTarget.value)}
      />
      <PasswordField label="Password" value={password} onValue={setPassword} />
      <Button type="submit">Keep the address</Button>
      {change.error && <Problem>{saidOf(change.error)}</Problem>}
      {change.isSuccess && <Note role="status">Kept.</Note>}
    </Narrow>
  );
}
