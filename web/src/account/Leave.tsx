import Button from "@mui/material/Button";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { saidOf } from "../api/client";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { showDay } from "../quantities/format";
import { Narrow } from "./account.styles";
import { accountApi, type Account } from "./accountApi";
import { PasswordField } from "./PasswordField";

/** Ask for the account to be deleted. */
export function Leave() {
  const kept = useKeptAccount();
  const [password, setPassword] = useState("");
  const leave = useMutation({ mutationFn: () => accountApi.leave(password), onSuccess: kept });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    leave.mutate();
  };
  return (
    <Narrow as="form" onSubmit={submit}>
      <Note>
        After a week the account goes, with all its gardens, readings and photographs. Until then you can sign
        in and keep it after all. Take everything out first. Copies that the keeper took before still hold it.
      </Note>
      <PasswordField label="Password" value={password} onValue={setPassword} />
      <Button type="submit">Delete the account in a week</Button>
      {leave.error && <Problem>{saidOf(leave.error)}</Problem>}
    </Narrow>
  );
}

/** What is told of an account that is to go, and the way back. */
export function Leaving({ leavesAt }: { leavesAt: string }) {
  const kept = useKeptAccount();
  const stay = useMutation({ mutationFn: accountApi.stay, onSuccess: kept });
  return (
    <div>
      <Row>
        <b>{`This account is deleted on ${showDay(leavesAt.slice(0, 10))} or soon after, with all its gardens.`}</b>
        <Button variant="contained" onClick={() => stay.mutate()}>
          Keep it after all
        </Button>
      </Row>
      {stay.error && <Problem>{saidOf(stay.error)}</Problem>}
    </div>
  );
}

function useKeptAccount() {
  const queries = useQueryClient();
  return (account: Account) => queries.setQueryData(["account"], account);
}
