/** Showing quantities by the core's rules (nolbet_core.quantities.writing); a test holds both to the same digits. */

export type Units = "ft_in" | "metric";

export const INCH_M = 0.0254;
export const FOOT_M = 0.3048;
const CU_FT_M3 = 0.028316846592;
export const CU_YD_M3 = 0.764554857984;
const DRY_QUART_M3 = 0.001101220942715;
const GALLON_M3 = 0.003785411784;
const SQ_FT_M2 = 0.09290304;
const POUND_KG = 0.45359237;
export const POUND_A_YARD_KG_M3 = POUND_KG / CU_YD_M3;
const SHORT_TON_KG = 907.18474;
const EIGHTHS = ["", "1/8", "1/4", "3/8", "1/2", "5/8", "3/4", "7/8"];
const SIGNS: Record<string, string> = { USD: "$", EUR: "€", GBP: "£", CAD: "$", AUD: "$", NZD: "$" };

export function otherUnits(units: Units): Units {
  return units === "ft_in" ? "metric" : "ft_in";
}

export function fixed(value: number, digits: number): string {
  const scale = 10 ** digits;
  const rounded = Math.floor(value * scale + 0.5) / scale;
  const [whole = "", rest] = rounded.toFixed(digits).split(".");
  // a browser's own formatter takes as long to make as a bed to draw
  const grouped = whole.replace(/\B(?=(\d{3})+$)/g, ",");
  return rest === undefined ? grouped : `${grouped}.${rest}`;
}

export function trimmed(value: number, digits: number): string {
  const text = fixed(value, digits);
  return text.includes(".") ? text.replace(/\.?0+$/, "") : text;
}

export function showLength(length_m: number, units: Units): string {
  if (length_m < 0) return `−${showLength(-length_m, units)}`;
  return units === "metric" ? showMetricLength(length_m) : showTapeLength(length_m);
}

/** A board's thickness or width, as it is measured: whole millimetres, or eighths of an inch. */
export function showBoardSide(side_m: number, units: Units): string {
  return units === "metric" ? `${fixed(side_m * 1000, 0)} mm` : showTapeLength(side_m);
}

function showMetricLength(length_m: number): string {
  const steps = Math.floor(length_m / 0.005 + 0.5);
  if (steps === 0 && length_m > 0) return "< 5 mm";
  return steps < 200 ? `${trimmed(steps * 0.5, 1)} cm` : `${trimmed(steps * 0.005, 3)} m`;
}

function showTapeLength(length_m: number): string {
  const eighths = Math.floor((length_m / INCH_M) * 8 + 0.5);
  if (eighths === 0 && length_m > 0) return '< 1/8"';
  if (eighths < 192) return `${mixedInches(eighths)}"`;
  const feet = fixed(Math.floor(eighths / 96), 0);
  const rest = eighths % 96;
  return rest ? `${feet}' ${mixedInches(rest)}"` : `${feet}'`;
}

function mixedInches(eighths: number): string {
  const whole = Math.floor(eighths / 8);
  const part = EIGHTHS[eighths % 8];
  if (!part) return String(whole);
  return whole ? `${whole} ${part}` : part;
}

export function showVolume(volume_m3: number, units: Units): string {
  if (units === "ft_in") {
    const cubicFeet = volume_m3 / CU_FT_M3;
    return `${fixed(cubicFeet, cubicFeet < 100 ? 1 : 0)} cu ft`;
  }
  const litres = volume_m3 * 1000;
  return litres >= 999.5 ? `${fixed(volume_m3, 2)} m³` : `${fixed(litres, litres < 10 ? 1 : 0)} L`;
}

/** A bag's size as it stands on the bag: "40 L", "1.5 cu ft". */
export function shownBag(volume_m3: number, units: Units): string {
  return units === "ft_in" ? `${trimmed(volume_m3 / CU_FT_M3, 2)} cu ft` : showVolume(volume_m3, units);
}

const LARGEST_POT_M3 = 0.1;

/** What a bed or pot holds: a pot's in quarts or litres, as pots are sold. */
export function showHeld(volume_m3: number, units: Units): string {
  if (units === "metric" || volume_m3 > LARGEST_POT_M3) return showVolume(volume_m3, units);
  const quarts = volume_m3 / DRY_QUART_M3;
  return `${fixed(quarts, quarts < 10 ? 1 : 0)} qt`;
}

/** A volume of water: in US gallons, or as any volume in litres. */
export function showWater(volume_m3: number, units: Units): string {
  if (units === "metric") return showVolume(volume_m3, units);
  const gallons = volume_m3 / GALLON_M3;
  return `${fixed(gallons, gallons < 10 ? 1 : 0)} gal`;
}

export function showBulkVolume(volume_m3: number, units: Units): string {
  return units === "ft_in" ? `${trimmed(volume_m3 / CU_YD_M3, 2)} yd³` : `${trimmed(volume_m3, 2)} m³`;
}

export function showArea(area_m2: number, units: Units): string {
  if (units === "ft_in") return `${fixed(area_m2 / SQ_FT_M2, area_m2 < 10 * SQ_FT_M2 ? 1 : 0)} sq ft`;
  return `${fixed(area_m2, 2)} m²`;
}

/** A mass. beside_kg: the largest it stands in a row with, whose unit it takes. */
export function showMass(mass_kg: number, units: Units, beside_kg = mass_kg): string {
  if (units === "ft_in") {
    if (beside_kg >= 2 * SHORT_TON_KG) return `${fixed(mass_kg / SHORT_TON_KG, 2)} short tons`;
    const pounds = mass_kg / POUND_KG;
    return `${fixed(pounds, pounds < 10 ? 1 : 0)} lb`;
  }
  if (beside_kg >= 2000) return `${fixed(mass_kg / 1000, 2)} tonnes`;
  return `${fixed(mass_kg, mass_kg < 10 ? 1 : 0)} kg`;
}

/** A mass as it was weighed, to the gram or a thousandth of a pound. */
export function typedMass(mass_kg: number, units: Units): string {
  return units === "ft_in" ? `${trimmed(mass_kg / POUND_KG, 3)} lb` : `${trimmed(mass_kg, 3)} kg`;
}

/** What was harvested, to ten grams or a hundredth of a pound. */
export function showHarvest(mass_kg: number, units: Units): string {
  return units === "ft_in" ? `${trimmed(mass_kg / POUND_KG, 2)} lb` : `${trimmed(mass_kg, 2)} kg`;
}

/** What a growing area gives: on a m², or on a square foot. */
export function showYield(yield_kg_m2: number, units: Units): string {
  if (units !== "ft_in")
    return Math.abs(yield_kg_m2) < 1
      ? `${fixed(yield_kg_m2 * 1000, 0)} g a m²`
      : `${trimmed(yield_kg_m2, 2)} kg a m²`;
  const pounds = (yield_kg_m2 / POUND_KG) * SQ_FT_M2;
  return Math.abs(pounds) < 1 ? `${trimmed(pounds * 16, 1)} oz a sq ft` : `${trimmed(pounds, 2)} lb a sq ft`;
}

/** What is mixed into soil by weight: to the cubic metre or yard, as mixes are reckoned. */
export function showMixedIn(dose_kg_m3: number, units: Units): string {
  if (units === "ft_in") return `${trimmed(dose_kg_m3 / POUND_A_YARD_KG_M3, 2)} lb a cu yd`;
  return `${trimmed(dose_kg_m3, 2)} kg a m³`;
}

export function showDensity(density_kg_m3: number, units: Units): string {
  if (units === "ft_in") return `${fixed((density_kg_m3 * CU_FT_M3) / POUND_KG, 0)} lb a cu ft`;
  return `${fixed(density_kg_m3, 0)} kg a m³`;
}

/** A temperature, to the degree Fahrenheit or half a degree Celsius. */
export function showTemperature(temperature_c: number, units: Units): string {
  if (units === "ft_in") return `${fixed((temperature_c * 9) / 5 + 32, 0)} °F`;
  return `${trimmed(Math.round(temperature_c * 2) / 2, 1)} °C`;
}

/** Rain of a month, to a tenth of an inch or the millimetre. */
export function showRain(rain_mm: number, units: Units): string {
  return units === "ft_in" ? `${trimmed(rain_mm / 25.4, 1)} in` : `${trimmed(rain_mm, 0)} mm`;
}

/** What is spread on ground: in oz on 100 sq ft, or in g on a m². */
export function showSpread(spread_kg_m2: number, units: Units): string {
  if (units === "ft_in")
    return `${trimmed(((spread_kg_m2 * SQ_FT_M2 * 100) / POUND_KG) * 16, 1)} oz on 100 sq ft`;
  return `${trimmed(spread_kg_m2 * 1000, 1)} g on a m²`;
}

/** What weighs on a floor. */
export function showLoad(load_kg_m2: number, units: Units): string {
  if (units === "ft_in") return `${fixed((load_kg_m2 * SQ_FT_M2) / POUND_KG, 0)} lb a sq ft`;
  return `${fixed(load_kg_m2, 0)} kg a m²`;
}

/** What a floor bears, as it is typed: the mass on a square foot or on a m². */
export function typedLoad(load_kg_m2: number, units: Units): string {
  return units === "ft_in"
    ? `${fixed((load_kg_m2 * SQ_FT_M2) / POUND_KG, 0)} lb`
    : `${fixed(load_kg_m2, 0)} kg`;
}

/** A small mass as it is weighed out: in oz under a pound and g under a kilogram, else to a tenth of either. beside_kg:
 * the largest it stands in a row with, whose unit it takes. */
export function showDose(mass_kg: number, units: Units, beside_kg = mass_kg): string {
  if (units === "ft_in") {
    const ounces = (mass_kg / POUND_KG) * 16;
    return (beside_kg / POUND_KG) * 16 < 16 ? `${trimmed(ounces, 1)} oz` : `${trimmed(ounces / 16, 1)} lb`;
  }
  return beside_kg < 1 ? `${fixed(mass_kg * 1000, 0)} g` : `${trimmed(mass_kg, 1)} kg`;
}

/** A day as it is written on a calendar. */
export function showDay(day: string): string {
  const [year = 0, month = 1, date = 1] = day.split("-").map(Number);
  return `${date} ${MONTHS[month - 1]} ${year}`;
}

/** A day with its name, as on a list of what is done when. */
export function showWeekday(day: string): string {
  const at = new Date(`${day}T12:00:00`);
  return `${WEEKDAYS[at.getDay()]} ${at.getDate()} ${MONTHS[at.getMonth()]}`;
}

const WEEKDAYS = ["Sun", "Mon", "Tue", "Wed", "Thu", "Fri", "Sat"];

/** How long work takes: in minutes up to an hour, else in hours and minutes to the five. */
export function showHours(hours: number): string {
  const minutes = Math.round((hours * 60) / 5) * 5;
  if (hours > 0 && minutes === 0) return "under 5 min";
  if (minutes < 60) return `${minutes} min`;
  return minutes % 60 ? `${Math.floor(minutes / 60)} h ${minutes % 60} min` : `${minutes / 60} h`;
}

/** Months in short, as they stand in days and under lines of time. */
export const MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"];

/** An amount as the API gives it, a decimal string to the cent, with its currency's sign. */
export function showMoney(amount: string, currency: string): string {
  const [whole = "0", cents = "00"] = amount.split(".");
  const grouped = `${whole.replace(/\B(?=(\d{3})+$)/g, ",")}.${cents.padEnd(2, "0")}`;
  const sign = SIGNS[currency];
  return sign ? `${sign}${grouped}` : `${grouped} ${currency}`;
}

/** What a m2 costs, a square foot of it where feet are measured. */
export function showAreaPrice(price_per_m2: string, units: Units, currency: string): string {
  if (units === "metric") return `${showMoney(price_per_m2, currency)} a m²`;
  return `${showMoney((Number(price_per_m2) * SQ_FT_M2).toFixed(2), currency)} a sq ft`;
}

/** A price of a m³ as bulk is priced: by the cubic yard or the m³, to the cent. */
export function showUnitPrice(
  price_per_m3: string,
  { units, currency }: { units: Units; currency: string },
): string {
  const own = Number(price_per_m3) * (units === "ft_in" ? CU_YD_M3 : 1);
  const cents = Math.round(Number(own.toFixed(6)) * 100);
  const amount = `${Math.floor(cents / 100)}.${String(cents % 100).padStart(2, "0")}`;
  return `${showMoney(amount, currency)} a ${units === "ft_in" ? "yd³" : "m³"}`;
}

/** The price of a loose volume as it is mixed by: of a cubic foot or a litre, to a tenth of a cent. */
export function showSmallPrice(
  price_per_m3: string,
  { units, currency }: { units: Units; currency: string },
): string {
  const own = Number(price_per_m3) * (units === "ft_in" ? CU_FT_M3 : 0.001);
  const amount = own < 1 ? fixed(own, 3) : fixed(own, 2);
  const sign = SIGNS[currency];
  return `${sign ? `${sign}${amount}` : `${amount} ${currency}`} a ${units === "ft_in" ? "cu ft" : "litre"}`;
}

export function showShare(share: number): string {
  return `${trimmed(share * 100, 1)} %`;
}

/** What is thinner is named in mm where it isn't whole: boards, sheets. */
const TIMBER_M = 0.2;

/** A length as a field holds it: to the eighth or 5 mm where it lies on one, else to a tenth of a mm. */
export function typedLength(length_m: number, units: Units): string {
  const step = units === "ft_in" ? INCH_M / 8 : 0.005;
  const steps = length_m / step;
  if (Math.abs(steps - Math.round(steps)) < 0.02) return showLength(length_m, units);
  if (units === "ft_in") return showLength(length_m, units);
  return length_m < TIMBER_M ? `${trimmed(length_m * 1000, 1)} mm` : `${trimmed(length_m * 100, 2)} cm`;
}

const SIXTEENTHS = 16;

/** A length as it is marked for the saw: whole millimetres, or sixteenths of an inch. */
export function showSawn(length_m: number, units: Units): string {
  if (units !== "ft_in") return `${fixed(length_m * 1000, 0)} mm`;
  const sixteenths = Math.round((length_m / INCH_M) * SIXTEENTHS);
  const [whole, part] = [Math.floor(sixteenths / SIXTEENTHS), sixteenths % SIXTEENTHS];
  if (part === 0) return `${whole}"`;
  const shared = part % 8 === 0 ? 8 : part % 4 === 0 ? 4 : part % 2 === 0 ? 2 : 1;
  return `${whole > 0 ? `${whole} ` : ""}${part / shared}/${SIXTEENTHS / shared}"`;
}

/** A board's section as it is measured. */
export function showSection(thickness_m: number, width_m: number, units: Units): string {
  return `${showBoardSide(thickness_m, units)} × ${showBoardSide(width_m, units)}`;
}

/** A volume as a field holds it, with a digit more than it is shown with. */
export function typedVolume(volume_m3: number, units: Units): string {
  return units === "ft_in"
    ? `${trimmed(volume_m3 / CU_FT_M3, 2)} cu ft`
    : `${trimmed(volume_m3 * 1000, 1)} L`;
}

/** A sentence whose figures don't part from their units at the end of a line. */
export function glued(text: string): string {
  return text
    .replace(/(\d) (?=(?:mm|cm|m|m²|m³|L|gal|kg|lb|cu|sq|yd³|tonnes|short|\d\/\d)(?![a-z]))/g, "$1\u00a0")
    .replace(/(cu|sq|short) (?=ft|tons)/g, "$1\u00a0");
}
