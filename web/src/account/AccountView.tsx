import Button from "@mui/material/Button";
import { GardenForm, GardenPanel } from "../gardens/gardens.styles";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { api, saidOf } from "../api/client";

/** Who is signed in: change the password, sign out. */
export function AccountSection() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const account = useQuery({ queryKey: ["account"], queryFn: api.account });
  const leave = useMutation({
    mutationFn: api.signOut,
    onSuccess: () => {
      queries.clear();
      void navigate("/sign-in");
    },
  });
  if (!account.data) return null;
  if (account.data.demo) {
    return (
      <GardenPanel variant="outlined" component="section">
        <h2>Account</h2>
        <p>This is the demo: whoever sits at this machine is its gardener, without a password.</p>
      </GardenPanel>
    );
  }
  return (
    <GardenPanel variant="outlined" component="section">
      <h2>Account: {account.data.name}</h2>
      <PasswordForm />
      <Button onClick={() => leave.mutate()}>
        Sign out
      </Button>
    </GardenPanel>
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
    <GardenForm onSubmit={submit}>
      <label>
        <span>Password now</span>
        <input
         
          type="password"
          autoComplete="current-password"
          required
          value={old}
          onChange={(event) => setOld(event.currentTarget.value)}
        />
      </label>
      <label>
        <span>New password</span>
        <input
         
          type="password"
          autoComplete="new-password"
          required
          value={wanted}
          onChange={(event) => setWanted(event.currentTarget.value)}
        />
      </label>
      <Button type="submit">
        Change the password
      </Button>
      {change.error && <p role="alert">{saidOf(change.error)}</p>}
      {change.isSuccess && <p role="status">Changed. Other devices have to sign in again.</p>}
    </GardenForm>
  );
}
