import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { Browser } from '@playwright/test';
import type * as Pdfjs_ from 'pdfjs-dist';
import jsQR from 'jsqr';

type Pdfjs = typeof Pdfjs_;
const require = createRequire(import.meta.url);

export interface ReadPage {
  text: string;
  /** What its codes say, those that can be read in the first so many millimeters from its corner. */
  code: string | null;
}

interface Drawn {
  text: string;
  pixels: number[];
  width: number;
  height: number;
}

/** Draws a PDF in a browser of its own, as a reader would, and reads its text and the code of its first label. */
export async function readPdf(browser: Browser, path: string, corner: { widthMm: number; heightMm: number }): Promise<ReadPage[]> {
  const [library, worker, bytes] = await Promise.all([
    readFile(require.resolve('pdfjs-dist/build/pdf.min.mjs'), 'utf8'),
    readFile(require.resolve('pdfjs-dist/build/pdf.worker.min.mjs'), 'utf8'),
    readFile(path),
  ]);
  const page = await browser.newPage();
  const drawn = await page.evaluate(
    async ({ sources, data, widthMm, heightMm }) => {
      const [main, helper] = sources.map((source) => URL.createObjectURL(new Blob([source], { type: 'text/javascript' })));
      const pdfjs = (await import(main!)) as Pdfjs;
      pdfjs.GlobalWorkerOptions.workerSrc = helper!;
      const document = await pdfjs.getDocument({ data: Uint8Array.from(data) }).promise;
      const pages: Drawn[] = [];
      for (let n = 1; n <= document.numPages; n += 1) {
        const sheet = await document.getPage(n);
        const { items } = await sheet.getTextContent();
        const text = items.map((item) => ('str' in item ? item.str : '')).join('');
        const scale = 2.5;
        const viewport = sheet.getViewport({ scale });
        const canvas = window.document.createElement('canvas');
        [canvas.width, canvas.height] = [viewport.width, viewport.height];
        const context = canvas.getContext('2d')!;
        await sheet.render({ canvasContext: context, viewport }).promise;
        const mm = (scale * 72) / 25.4;
        const [width, height] = [Math.round(widthMm * mm), Math.round(heightMm * mm)];
        pages.push({ text, pixels: [...context.getImageData(0, 0, width, height).data], width, height });
      }
      return pages;
    },
    { sources: [library, worker], data: [...bytes], ...corner },
  );
  await page.close();
  return drawn.map(({ text, pixels, width, height }) => ({
    text,
    code: jsQR(Uint8ClampedArray.from(pixels), width, height)?.data ?? null,
  }));
}
