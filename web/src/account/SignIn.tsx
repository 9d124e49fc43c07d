import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import Button from "@mui/material/Button";
import css from "./account.module.css";
import css2 from "../drawing/drawing.module.css";
import { Door, DoorForm } from "./account.styles";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { saidOf } from "../api/client";
import { accountApi } from "./accountApi";
import { DoorTitle, NameAtDoor } from "./DoorParts";
import { ForgottenPassword } from "./ForgottenPassword";
import { signedIn } from "./forgetAll";
import { NewPasswordField, PasswordField } from "./PasswordField";

/** The front door: sign in, open an account, or set a new password by a code. */
export default function SignIn() {
  const [isForgotten, setForgotten] = useState(false);
  return (
    <Door data-part="door">
      <Cutaway />
      {isForgotten ? (
        <ForgottenPassword onBack={() => setForgotten(false)} />
      ) : (
        <SignInForm onForgotten={() => setForgotten(true)} />
      )}
    </Door>
  );
}

function SignInForm({ onForgotten }: { onForgotten: () => void }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [fresh, setFresh] = useState(false);
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const enter = useMutation({
    mutationFn: () =>
      fresh ? accountApi.signUp(name.trim(), password) : accountApi.signIn(name.trim(), password),
    onSuccess: async () => {
      void navigate(await signedIn(name.trim(), queries));
    },
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    enter.mutate();
  };
  const Password = fresh ? NewPasswordField : PasswordField;
  return (
    <DoorForm onSubmit={submit} data-part="door-form">
      <DoorTitle>Nolbet</DoorTitle>
      <p>Works out what goes in a bed: measure it, lay it in layers, read off bags, yards and cost.</p>
      <NameAtDoor value={name} onValue={setName} />
      <Password label="Password" value={password} onValue={setPassword} />
      {enter.error && <Problem>{saidOf(enter.error)}</Problem>}
      <Button variant="contained" type="submit" disabled={enter.isPending}>
        {fresh ? "Open an account" : "Sign in"}
      </Button>
      <Row>
        <Button
          onClick={() => {
            setFresh(!fresh);
            enter.reset();
          }}
        >
          {fresh ? "I have an account" : "Open an account instead"}
        </Button>
        {!fresh && <Button onClick={onForgotten}>Password forgotten</Button>}
      </Row>
    </DoorForm>
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
