import Alert from "@mui/material/Alert";
import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { accountApi } from "../account/accountApi";
import { Row } from "../kit/Row";

const SEEN_PLACE = "nolbet.demo-note";

/** On the demo's first start: that all of it is an example, and where one's own garden begins. */
export function DemoNote() {
  const [seen, setSeen] = useState(() => localStorage.getItem(SEEN_PLACE) !== null);
  const account = useQuery({ queryKey: ["account"], queryFn: accountApi.account, enabled: !seen });
  if (seen || !account.data?.demo) return null;
  const close = () => {
    localStorage.setItem(SEEN_PLACE, "seen");
    setSeen(true);
  };
  return (
    <Alert severity="info" data-part="demo-note" sx={{ margin: "10px 20px 0" }}>
      This garden is an example, made up to look round in: change anything, every step can be undone. Your own
      garden begins under Gardens, empty.
      <Row sx={{ marginTop: 1 }}>
        <Button variant="contained" component={Link} to="/gardens" onClick={close}>
          Begin my own garden
        </Button>
        <Button onClick={close}>Look round first</Button>
      </Row>
    </Alert>
  );
}
