import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { saidOf } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { DoorForm } from "./account.styles";
import { accountApi } from "./accountApi";
import { DoorTitle, NameAtDoor } from "./DoorParts";
import { signedIn } from "./forgetAll";
import { NewPasswordField } from "./PasswordField";

/** A new password by a code, from a mail or from the keeper. */
export function ForgottenPassword({ onBack }: { onBack: () => void }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [name, setName] = useState("");
  const [code, setCode] = useState("");
  const [wanted, setWanted] = useState("");
  const ask = useMutation({ mutationFn: () => accountApi.askForCode(name.trim()) });
  const enter = useMutation({
    mutationFn: () => accountApi.passwordByCode(name.trim(), code, wanted),
    onSuccess: async () => {
      void navigate(await signedIn(name.trim(), queries));
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    enter.mutate();
  };
  return (
    <DoorForm onSubmit={submit} data-part="forgotten">
      <DoorTitle>A new password</DoorTitle>
      <p>By a code: sent to the account&apos;s mail address, or printed by whoever keeps this Nolbet.</p>
      <NameAtDoor value={name} onValue={setName} />
      <Button disabled={!name.trim() || ask.isPending} onClick={() => ask.mutate()}>
        Send me a code
      </Button>
      {ask.isSuccess && (
        <Note role="status">
          If this account has a mail address, a code is on its way there. If not, ask whoever keeps this
          Nolbet.
        </Note>
      )}
      {ask.error && <Problem>{saidOf(ask.error)}</Problem>}
      <TextField
        label="Code"
        value={code}
        autoComplete="one-time-code"
        required
        onChange={(event) => setCode(event.currentTarget.value)}
      />
      <NewPasswordField label="New password" value={wanted} onValue={setWanted} />
      {enter.error && <Problem>{saidOf(enter.error)}</Problem>}
      <Row>
        <Button variant="contained" type="submit" disabled={enter.isPending}>
          Set it and sign in
        </Button>
        <Button onClick={onBack}>Back</Button>
      </Row>
    </DoorForm>
  );
}
