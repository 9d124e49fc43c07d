import { NavLink } from "react-router";
import { Sign, type SignName } from "./icons";

type Place = { name: SignName; label: string; to: string };

/** The work in its order. */
export function Rail({ places }: { places: readonly Place[] }) {
  return (
    <nav data-part="rail" aria-label="Views">
      <span>Nolbet</span>
      {places.map(({ name, label, to }) => (
        <NavLink key={name} to={to} className={({ isActive }) => `rail-place ${isActive ? "is-here" : ""}`}>
          <Sign name={name} />
          <span>{label}</span>
        </NavLink>
      ))}
    </nav>
  );
}
