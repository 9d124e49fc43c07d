import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { api, saidOf } from "../api/client";
import "./account.css";

/** The front door: sign in, or open an account. */
export function SignIn() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [fresh, setFresh] = useState(false);
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const enter = useMutation({
    mutationFn: () => (fresh ? api.signUp(name.trim(), password) : api.signIn(name.trim(), password)),
    onSuccess: () => {
      queries.clear();
      void navigate("/");
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    enter.mutate();
  };
  return (
    <main className="door">
      <Cutaway />
      <form onSubmit={submit} className="door-form">
        <h1>Nolbet</h1>
        <p>Works out what goes in a bed: measure it, lay it in layers, read off bags, yards and cost.</p>
        <label>
          <span className="measure-label">Name</span>
          <input
            className="measure-input"
            value={name}
            autoComplete="username"
            autoCapitalize="off"
            required
            onChange={(event) => setName(event.currentTarget.value)}
          />
        </label>
        <label>
          <span className="measure-label">Password{fresh && ", at least 10 characters"}</span>
          <input
            className="measure-input"
            type="password"
            value={password}
            autoComplete={fresh ? "new-password" : "current-password"}
            required
            onChange={(event) => setPassword(event.currentTarget.value)}
          />
        </label>
        {enter.error && (
          <p className="door-problem" role="alert">
            {saidOf(enter.error)}
          </p>
        )}
        <button type="submit" className="main-button" disabled={enter.isPending}>
          {fresh ? "Open an account" : "Sign in"}
        </button>
        <button
          type="button"
          className="text-button"
          onClick={() => {
            setFresh(!fresh);
            enter.reset();
          }}
        >
          {fresh ? "I have an account" : "Open an account instead"}
        </button>
      </form>
    </main>
  );
}

const LAYERS = [
  ["raised_bed_mix", 190],
  ["compost", 70],
  ["leaves", 90],
  ["branches", 110],
  ["gravel_20", 80],
] as const;

/** A bed cut open, for its own sake. */
function Cutaway() {
  let y = 40;
  return (
    <svg
      className="door-drawing"
      viewBox="0 0 460 640"
      preserveAspectRatio="xMidYMid slice"
      aria-hidden="true"
    >
      {LAYERS.map(([material, height]) => {
        const top = y;
        y += height;
        return (
          <rect key={material} x="40" y={top} width="380" height={height} fill={`url(#hatch-${material})`} />
        );
      })}
      <rect className="drawing-wall" x="12" y="10" width="28" height="590" />
      <rect className="drawing-wall" x="420" y="10" width="28" height="590" />
      <rect className="drawing-ground" x="0" y="580" width="460" height="60" />
    </svg>
  );
}
