import Typography from "@mui/material/Typography";
import { Problem } from "../kit/Problem";
import TextField from "@mui/material/TextField";
import Button from "@mui/material/Button";
import css from "./account.module.css";
import css2 from "../drawing/drawing.module.css";
import { Door, DoorForm } from "./account.styles";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { api, saidOf } from "../api/client";
import { signedIn } from "./forgetAll";

/** The front door: sign in, or open an account. */
export default function SignIn() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [fresh, setFresh] = useState(false);
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const enter = useMutation({
    mutationFn: () => (fresh ? api.signUp(name.trim(), password) : api.signIn(name.trim(), password)),
    onSuccess: async () => {
      await signedIn(name.trim(), queries);
      void navigate("/");
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    enter.mutate();
  };
  return (
    <Door data-part="door">
      <Cutaway />
      <DoorForm onSubmit={submit} data-part="door-form">
        <Typography
          component="h1"
          sx={{ fontSize: "var(--text-door)", fontWeight: 760, fontStretch: "118%" }}
        >
          Nolbet
        </Typography>
        <p>Works out what goes in a bed: measure it, lay it in layers, read off bags, yards and cost.</p>
        <TextField
          label="Name"
          value={name}
          autoComplete="username"
          required
          onChange={(event) => setName(event.currentTarget.value)}
          slotProps={{ htmlInput: { autoCapitalize: "off" } }}
        />
        <TextField
          label={`Password${fresh ? ", at least 10 characters" : ""}`}
          type="password"
          value={password}
          autoComplete={fresh ? "new-password" : "current-password"}
          required
          onChange={(event) => setPassword(event.currentTarget.value)}
        />
        {enter.error && <Problem>{saidOf(enter.error)}</Problem>}
        <Button variant="contained" type="submit" disabled={enter.isPending}>
          {fresh ? "Open an account" : "Sign in"}
        </Button>
        <Button
          onClick={() => {
            setFresh(!fresh);
            enter.reset();
          }}
        >
          {fresh ? "I have an account" : "Open an account instead"}
        </Button>
      </DoorForm>
    </Door>
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
      className={css.doorDrawing}
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
      <rect className={css2.drawingWall} x="12" y="10" width="28" height="590" />
      <rect className={css2.drawingWall} x="420" y="10" width="28" height="590" />
      <rect className={css2.drawingGround} x="0" y="580" width="460" height="60" />
    </svg>
  );
}
