import bold from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import regular from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

const fileNameOf = (name: string, what: string): string =>
  `${
    [name, what]
      .filter((part) => part !== '')
      .join('-')
      .replaceAll(/[^\p{L}\p{N}]+/gu, '-')
      .replaceAll(/^-|-$/g, '') || 'sheet'
  }.pdf`;

/** The page’s own face, as the page maker takes it. */
async function fontAt(url: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer());
  return btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(''));
}

/** Makes a PDF here in the browser; what draws it is loaded only when it is asked for. */
export async function downloadPages(
  name: string,
  what: string,
  pages: () => Promise<{ face: string; pages: TDocumentDefinitions }>,
): Promise<void> {
  const [{ default: pdfMake }, made, normal, strong] = await Promise.all([
    import('pdfmake/build/pdfmake'),
    pages(),
    fontAt(regular),
    fontAt(bold),
  ]);
  pdfMake.addVirtualFileSystem({ 'normal.woff': normal, 'bold.woff': strong });
  pdfMake.addFonts({ [made.face]: { normal: 'normal.woff', bold: 'bold.woff', italics: 'normal.woff', bolditalics: 'bold.woff' } });
  await pdfMake.createPdf(made.pages).download(fileNameOf(name, what));
}
