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
      <section className="garden-panel">
        <h2>Account</h2>
        <p>This is the demo: whoever sits at this machine is its gardener, without a password.</p>
      </section>
    );
  }
  return (
    <section className="garden-panel">
      <h2>Account: {account.data.name}</h2>
      <PasswordForm />
      <button type="button" className="text-button" onClick={() => leave.mutate()}>
        Sign out
      </button>
    </section>
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
    <form className="garden-form" onSubmit={submit}>
      <label>
        <span className="measure-label">Password now</span>
        <input
          className="measure-input"
          type="password"
          autoComplete="current-password"
          required
          value={old}
          onChange={(event) => setOld(event.currentTarget.value)}
        />
      </label>
      <label>
        <span className="measure-label">New password</span>
        <input
          className="measure-input"
          type="password"
          autoComplete="new-password"
          required
          value={wanted}
          onChange={(event) => setWanted(event.currentTarget.value)}
        />
      </label>
      <button type="submit" className="text-button">
        Change the password
      </button>
      {change.error && <p role="alert">{saidOf(change.error)}</p>}
      {change.isSuccess && <p role="status">Changed. Other devices have to sign in again.</p>}
    </form>
  );
}
