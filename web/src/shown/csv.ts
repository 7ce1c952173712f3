/** Text that a spreadsheet would take for a formula gets a quote in front. */
export const guarded = <V extends string | number>(value: V): V | string =>
  typeof value === 'string' && /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;

/** Hands a table to the maker as a file. */
export function saveCsv(fileName: string, text: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'text/csv' }));
  link.download = fileName;
  link.click();
  URL.revokeObjectURL(link.href);
}
