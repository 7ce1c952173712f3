import type { BottleSheet } from '@hollow-bell/tell/bottle-sheet';
import { useReader } from './useReader.ts';
import { downloadPages } from './useSheets.ts';

/** The PDF of the day of bottling. */
export function useBottleSheet() {
  const { reader } = useReader();
  return {
    download: (sheet: BottleSheet): Promise<void> =>
      downloadPages(sheet.name, 'bottling', async () => {
        const { SHEET_FACE, bottleSheetPages } = await import('@hollow-bell/tell/bottle-sheet');
        return { face: SHEET_FACE, pages: bottleSheetPages(sheet, reader.value) };
      }),
  };
}
