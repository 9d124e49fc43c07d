import Button from "@mui/material/Button";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { saidOf } from "../api/client";
import { RuledList } from "../kit/RuledList";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { showDay } from "../quantities/format";
import { accountApi, type Session } from "./accountApi";

const KEY = ["sessions"];

/** Where the account is signed in, and signing out from afar. */
export function Sessions() {
  const queries = useQueryClient();
  const sessions = useQuery({ queryKey: KEY, queryFn: accountApi.sessions });
  const kept = { onSuccess: (left: Session[]) => queries.setQueryData(KEY, left) };
  const end = useMutation({ mutationFn: accountApi.endSession, ...kept });
  const endOthers = useMutation({ mutationFn: accountApi.endOtherSessions, ...kept });
  const error = sessions.error ?? end.error ?? endOthers.error;
  return (
    <>
      {error && <Problem>{saidOf(error)}</Problem>}
      <RuledList data-part="sessions">
        {(sessions.data ?? []).map((session) => (
          <li key={session.name}>
            <span>{session.device === "phone" ? "A phone" : "A computer"}</span>
            <Note component="span">{since(session)}</Note>
            {session.here ? (
              <b>This one</b>
            ) : (
              <Button onClick={() => end.mutate(session.name)}>Sign it out</Button>
            )}
          </li>
        ))}
      </RuledList>
      {sessions.data && sessions.data.length > 1 && (
        <Button onClick={() => endOthers.mutate()}>Sign all others out</Button>
      )}
    </>
  );
}

function since(session: Session): string {
  const ends = `signed out by itself on ${showDay(localDay(session.ends_at))}`;
  return session.begun_at ? `since ${showDay(localDay(session.begun_at))}, ${ends}` : ends;
}

function localDay(moment: string): string {
  const at = new Date(moment);
  return `${at.getFullYear()}-${at.getMonth() + 1}-${at.getDate()}`;
}
