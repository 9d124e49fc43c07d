import ButtonBase from "@mui/material/ButtonBase";
import { styled } from "@mui/material/styles";
import { Sign } from "../drawing/Sign";
import { atHand, type Place, type Places } from "./places";
import { HandRail, RailBox, RailFoot, RailGroup, RailName, RailPlace, railPlace } from "./shell.styles";

const RailButton = styled(ButtonBase)(railPlace);

type Props = { places: Places; onMore: () => void };

/** The garden's places, those of the bed at hand, and below them gardens and account. */
export function Rail({ places, onMore }: Props) {
  return (
    <>
      <RailBox aria-label="Views" data-part="rail">
        <RailName>Nolbet</RailName>
        <Group name="garden" places={places.garden} />
        <Group name="this bed" places={places.bed} />
        <RailFoot>
          <PlaceLink place={{ name: "gardens", label: "Gardens", to: "/gardens" }} />
        </RailFoot>
      </RailBox>
      <HandRail aria-label="Views" data-part="hand-rail">
        {atHand(places).map((place) => (
          <PlaceLink key={place.name} place={place} />
        ))}
        <RailButton onClick={onMore} aria-haspopup="dialog">
          <Sign name="more" />
          <span>More</span>
        </RailButton>
      </HandRail>
    </>
  );
}

function Group({ name, places }: { name: string; places: readonly Place[] }) {
  return (
    <>
      <RailGroup>{name}</RailGroup>
      {places.map((place) => (
        <PlaceLink key={place.name} place={place} />
      ))}
    </>
  );
}

function PlaceLink({ place: { name, label, to } }: { place: Place }) {
  return (
    <RailPlace to={to}>
      <Sign name={name} />
      <span>{label}</span>
    </RailPlace>
  );
}
