import { Problem } from "../kit/Problem";
import TextField from "@mui/material/TextField";
import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Note } from "../kit/Note";
import { Column } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { SchemeChoice } from "../theme/controls/SchemeChoice";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { api, saidOf } from "../api/client";
import { forgetAll } from "./forgetAll";

/** Who is signed in: change the password, sign out. */
export function AccountSection() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const account = useQuery({ queryKey: ["account"], queryFn: api.account });
  const leave = useMutation({
    mutationFn: api.signOut,
    onSuccess: async () => {
      await forgetAll(queries);
      void navigate("/sign-in");
    },
  });
  if (!account.data) return null;
  if (account.data.demo) {
    return (
      <Sheet
        component="section"
        sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr)", gap: 3, justifyItems: "start" }}
      >
        <Typography variant="sheetTitle">Account</Typography>
        <SchemeChoice />
        <p>This is the demo: whoever sits at this machine is its gardener, without a password.</p>
      </Sheet>
    );
  }
  return (
    <Sheet
      component="section"
      sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr)", gap: 3, justifyItems: "start" }}
    >
      <Typography variant="sheetTitle">Account: {account.data.name}</Typography>
      <SchemeChoice />
      <PasswordForm />
      <Button onClick={() => leave.mutate()}>Sign out</Button>
    </Sheet>
  );
}

function PasswordForm() {
  const [old, setOld] = useState("");
  const [wanted, setWanted] = useState("");
  const change = useMutation({
    mutationFn: () => api.changePassword(old, wanted),
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
    <Column as="form" onSubmit={submit}>
      <TextField
        label="Password now"
        type="password"
        autoComplete="current-password"
        required
        value={old}
        onChange={(event) => setOld(event.currentTarget.value)}
      />
      <TextField
        label="New password"
        type="password"
        autoComplete="new-password"
        required
        value={wanted}
        onChange={(event) => setWanted(event.currentTarget.value)}
      />
      <Button type="submit">Change the password</Button>
      {change.error && <Problem>{saidOf(change.error)}</Problem>}
      {change.isSuccess && <Note role="status">Changed. Other devices have to sign in again.</Note>}
    </Column>
  );
}
