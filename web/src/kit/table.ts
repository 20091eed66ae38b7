import { sendFile } from '../api/sendFile';

export type Rows = string[][];

const WORKBOOK = /\.xlsx$/i;

/** A cell of a spreadsheet as it is written: a day as a day, whatever the clock of this browser. */
const written = (cell: unknown): string =>
  cell === null || cell === undefined
    ? ''
    : cell instanceof Date
      ? cell.toISOString().slice(0, 10)
      : typeof cell === 'string' || typeof cell === 'number' || typeof cell === 'boolean'
        ? String(cell)
        : '';

/** The rows of a file: of a spreadsheet its first sheet, read here; of anything else what the server makes of the text. */
export async function rowsOf(file: File): Promise<Rows> {
  if (!WORKBOOK.test(file.name)) {
    return (await sendFile<{ rows: Rows }>('/api/kit/table/text', file, {})).rows;
  }
  const { readSheet } = await import('read-excel-file/browser');
  return (await readSheet(file)).map((row) => row.map(written));
}

/** Asset numbers and serial numbers as they are typed, a line for each. */
export const typedRows = (text: string): Rows =>
  text
    .split('\n')
    .map((line) => line.split(/[,;\t]/).map((cell) => cell.trim()))
    .filter((cells) => cells.some((cell) => cell !== ''));
