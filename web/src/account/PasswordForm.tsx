import Button from "@mui/material/Button";
import { useMutation } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { saidOf } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Narrow } from "./account.styles";
import { accountApi } from "./accountApi";
import { NewPasswordField, PasswordField } from "./PasswordField";

/** Change the password. */
export function PasswordForm() {
  const [old, setOld] = useState("");
  const [wanted, setWanted] = useState("");
  const change = useMutation({
    mutationFn: () => accountApi.changePassword(old, wanted),
    onSuccess: () => {
      setOld("");
      setWanted("");
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change.mutate();
  };
  return (
    <Narrow as="form" onSubmit={submit}>
      <PasswordField label="Password now" value={old} onValue={setOld} />
      <NewPasswordField label="New password" value={wanted} onValue={setWanted} />
      <Button type="submit">Change the password</Button>
      {change.error && <Problem>{saidOf(change.error)}</Problem>}
      {change.isSuccess && <Note role="status">Changed. Other devices have to sign in again.</Note>}
    </Narrow>
  );
}
