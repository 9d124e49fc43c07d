import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { useNavigate } from "react-router";
import { Disclosure } from "../kit/Disclosure";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { SchemeChoice } from "../theme/controls/SchemeChoice";
import { accountApi, type Account } from "./accountApi";
import { forgetAll } from "./forgetAll";
import { Leave, Leaving } from "./Leave";
import { MailForm } from "./MailForm";
import { PasswordForm } from "./PasswordForm";
import { Sessions } from "./Sessions";

/** Who is signed in, and what they do with their account. */
export function AccountSection() {
  const account = useQuery({ queryKey: ["account"], queryFn: accountApi.account });
  if (!account.data) return null;
  if (account.data.demo) {
    return (
      <AccountSheet title="Account">
        <SchemeChoice />
        <p>This is the demo: whoever sits at this machine is its gardener, without a password.</p>
      </AccountSheet>
    );
  }
  return <OwnAccount account={account.data} />;
}

/** That the account is to go, for where it is seen first. */
export function LeavingNotice() {
  const account = useQuery({ queryKey: ["account"], queryFn: accountApi.account });
  if (!account.data?.leaves_at) return null;
  return <Leaving leavesAt={account.data.leaves_at} />;
}

function OwnAccount({ account }: { account: Account }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const signOut = useMutation({
    mutationFn: accountApi.signOut,
    onSuccess: async () => {
      await forgetAll(queries);
      void navigate("/sign-in");
    },
  });
  return (
    <AccountSheet title={`Account: ${account.name}`}>
      {account.leaves_at && <Leaving leavesAt={account.leaves_at} />}
      <Row sx={{ alignItems: "flex-end" }}>
        <SchemeChoice />
        <Button onClick={() => signOut.mutate()}>Sign out</Button>
        <Button component="a" href="/api/account/archive" download>
          Take everything out
        </Button>
      </Row>
      <div>
        <Disclosure title="Password">{() => <PasswordForm />}</Disclosure>
        <Disclosure title="Where you are signed in">{() => <Sessions />}</Disclosure>
        <Disclosure title="Mail address for a forgotten password" said={account.mail ?? "none"}>
          {() => <MailForm mail={account.mail ?? ""} />}
        </Disclosure>
        {!account.leaves_at && <Disclosure title="Delete the account">{() => <Leave />}</Disclosure>}
      </div>
    </AccountSheet>
  );
}

function AccountSheet({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Sheet
      component="section"
      aria-label="Account"
      sx={{ display: "grid", gridTemplateColumns: "minmax(0, 1fr)", gap: 3 }}
    >
      <Typography variant="sheetTitle">{title}</Typography>
      {children}
    </Sheet>
  );
}
