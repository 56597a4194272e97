const mPerInch = 0.0254;
const inchesPerFoot = 12;
/** Eighths of an inch are what anybody cuts to. */
const parts = 8;
const vulgarText: Readonly<Record<number, string>> = {
  1: '1/8',
  2: '1/4',
  3: '3/8',
  4: '1/2',
  5: '5/8',
  6: '3/4',
  7: '7/8',
};
const vulgarSigns: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅓': '1/3',
  '⅔': '2/3',
};

/** Feet and inches in metres, to a tenth of a millimetre: so an eighth of an inch stays what it is. */
export const fromFeet = (feet: number, inches = 0): number =>
  Math.round((feet * inchesPerFoot + inches) * mPerInch * 1e4) / 1e4;

/**
 * A length in feet and inches, to an eighth of an inch: 2.2479 m is 7' 4 1/2".
 */
export function feetInchesText(metres: number): string {
  const eighths = Math.round((Math.abs(metres) / mPerInch) * parts);
  const sign = metres < 0 && eighths > 0 ? '-' : '';
  const feet = Math.floor(eighths / (inchesPerFoot * parts));
  const inches = Math.floor((eighths % (inchesPerFoot * parts)) / parts);
  const rest = vulgarText[eighths % parts];
  const inchText = [inches > 0 || !rest ? String(inches) : '', rest ?? '']
    .filter((one) => one !== '')
    .join(' ');
  return `${sign}${feet > 0 ? `${feet}' ` : ''}${inchText}"`;
}

const shape =
  /^(-)?\s*(?:(\d+(?:\.\d+)?)\s*(?:'|ft|feet|foot)(?!'))?[\s-]*(?:(\d+(?:\.\d+)?)?(?:(?:^|\s|-|(?<=\D))(\d+)\/([1-9]\d*))?\s*(?:"|''|in|inch|inches)?)?$/;

/**
 * Reads feet and inches as surveyors write them: 7' 4 1/2", 7'4½", 7 ft 4 in, 7-4 1/2" is not one of them, 4 1/2".
 *
 * @returns metres; null where it is no such text
 */
export function readFeetInches(text: string): number | null {
  const typed = text
    .trim()
    .toLowerCase()
    .replace(/[′’]/g, "'")
    .replace(/[″”“]/g, '"')
    .replace(/(\d)?\s*([½¼¾⅛⅜⅝⅞⅓⅔])/g, (_, before: string | undefined, sign: string) =>
      before === undefined ? vulgarSigns[sign]! : `${before} ${vulgarSigns[sign]!}`,
    );
  if (!/['"]|ft|feet|foot|in/.test(typed)) return null;
  const match = shape.exec(typed);
  if (!match) return null;
  const [, sign, feet, inches, over, under] = match;
  if (feet === undefined && inches === undefined && over === undefined) return null;
  const inchesAll =
    Number(feet ?? 0) * inchesPerFoot +
    Number(inches ?? 0) +
    (over === undefined ? 0 : Number(over) / Number(under));
  return (sign === undefined ? 1 : -1) * inchesAll * mPerInch;
}
