import type { BrewSheet } from '@hollow-bell/tell/sheet';
import { useReader } from './useReader.ts';
import { downloadPages } from './useSheets.ts';

/** The brew day’s PDF. */
export function useBrewSheet() {
  const { reader } = useReader();
  return {
    download: (sheet: BrewSheet): Promise<void> =>
      downloadPages(sheet.name, '', async () => {
        const { SHEET_FACE, brewSheetPages } = await import('@hollow-bell/tell/sheet');
        return { face: SHEET_FACE, pages: brewSheetPages(sheet, reader.value) };
      }),
  };
}
