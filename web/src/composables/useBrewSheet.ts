import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import type { BrewSheet } from '@hollow-bell/tell/sheet';
import { useReader } from './useReader.ts';

const fileNameOf = (name: string): string => `${name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').replaceAll(/^-|-$/g, '') || 'brew-day'}.pdf`;

/** The page’s own face, as the page maker takes it. */
async function fontAt(url: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer());
  return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
}

/** Makes the brew day's PDF here in the browser; what draws it is loaded only when it is asked for. */
export function useBrewSheet() {
  const { reader } = useReader();
  return {
    download: async (sheet: BrewSheet): Promise<void> => {
      const [{ default: pdfMake }, { SHEET_FACE, brewSheetPages }, normal, strong] = await Promise.all([
        import('pdfmake/build/pdfmake'),
        import('@hollow-bell/tell/sheet'),
        fontAt(regular),
        fontAt(bold),
      ]);
      pdfMake.addVirtualFileSystem({ 'normal.woff': normal, 'bold.woff': strong });
      pdfMake.addFonts({ [SHEET_FACE]: { normal: 'normal.woff', bold: 'bold.woff', italics: 'normal.woff', bolditalics: 'bold.woff' } });
      await pdfMake.createPdf(brewSheetPages(sheet, reader.value)).download(fileNameOf(sheet.name));
    },
  };
}
