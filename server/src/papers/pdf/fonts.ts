import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import * as fontkit from 'fontkit';

const require = createRequire(import.meta.url);
const folderOf = (name: string): string => dirname(require.resolve(`${name}/package.json`));

/** Folders that documents may read: those of the fonts that ship with the program. */
export const fontFolders = [
  join(folderOf('pdfmake'), 'fonts/Roboto'),
  join(folderOf('dejavu-fonts-ttf'), 'ttf'),
] as const;
const [roboto, dejavu] = fontFolders;

/** The faces of all papers: the usual one, and one with many scripts that stands in where that lacks a letter. */
export const faces = {
  Roboto: {
    normal: join(roboto, 'Roboto-Regular.ttf'),
    bold: join(roboto, 'Roboto-Medium.ttf'),
    italics: join(roboto, 'Roboto-Italic.ttf'),
    bolditalics: join(roboto, 'Roboto-MediumItalic.ttf'),
  },
  DejaVu: {
    normal: join(dejavu, 'DejaVuSans.ttf'),
    bold: join(dejavu, 'DejaVuSans-Bold.ttf'),
    italics: join(dejavu, 'DejaVuSans-Oblique.ttf'),
    bolditalics: join(dejavu, 'DejaVuSans-BoldOblique.ttf'),
  },
} as const;
export type Face = keyof typeof faces;

const opened = new Map<Face, ReadonlySet<number>>();
/** The letters a face has, in its regular and its bold cut. */
function lettersOf(face: Face): ReadonlySet<number> {
  const known = opened.get(face);
  if (known) return known;
  const [regular, bold] = [faces[face].normal, faces[face].bold].map((path) => {
    const font = fontkit.openSync(path);
    if (!('characterSet' in font)) throw new Error(`${path} is a collection of fonts`);
    return new Set(font.characterSet);
  });
  const both = new Set([...regular!].filter((code) => bold!.has(code)));
  opened.set(face, both);
  return both;
}

export const hasLetter = (face: Face, code: number): boolean => lettersOf(face).has(code);
