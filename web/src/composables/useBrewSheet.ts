import type { BrewSheet } from '@hollow-bell/tell/sheet';
import { useReader } from './useReader.ts';

const fileNameOf = (name: string): string => `${name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').replaceAll(/^-|-$/g, '') || 'brew-day'}.pdf`;

/** Makes the brew day's PDF here in the browser; what draws it is loaded only when it is asked for. */
export function useBrewSheet() {
  const { reader } = useReader();
  return {
    download: async (sheet: BrewSheet): Promise<void> => {
      const [{ default: pdfMake }, { default: fonts }, { brewSheetPages }] = await Promise.all([
        import('pdfmake/build/pdfmake'),
        import('pdfmake/build/vfs_fonts'),
        import('@hollow-bell/tell/sheet'),
      ]);
      pdfMake.addVirtualFileSystem(fonts);
      await pdfMake.createPdf(brewSheetPages(sheet, reader.value)).download(fileNameOf(sheet.name));
    },
  };
}
