/** Pages of PDFs, counted and drawn by a library; loaded when there is one to look at. */
import type { PDFDocumentProxy } from 'pdfjs-dist';

async function documentOf(bytes: Uint8Array): Promise<PDFDocumentProxy> {
  const [{ getDocument, GlobalWorkerOptions }, { default: worker }] = await Promise.all([
    import('pdfjs-dist'),
    import('pdfjs-dist/build/pdf.worker.min.mjs?url'),
  ]);
  GlobalWorkerOptions.workerSrc = worker;
  // The library takes the bytes for itself. Nothing of a document runs or is fetched.
  return getDocument({ data: bytes.slice(), enableXfa: false, useWasm: false }).promise;
}

/** @throws where it cannot be read */
export async function pagesOf(bytes: Uint8Array): Promise<number> {
  const pdf = await documentOf(bytes);
  try {
    return pdf.numPages;
  } finally {
    await pdf.loadingTask.destroy();
  }
}

/** As wide as pages are drawn, in pixels. */
const WIDTH = 1000;

/** Pages as pictures, one after the other. @throws where it cannot be read */
export async function* drawn(bytes: Uint8Array): AsyncGenerator<Blob> {
  const pdf = await documentOf(bytes);
  try {
    for (let n = 1; n <= pdf.numPages; n++) {
      const page = await pdf.getPage(n);
      const scale = WIDTH / page.getViewport({ scale: 1 }).width;
      const viewport = page.getViewport({ scale });
      const canvas = document.createElement('canvas');
      canvas.width = Math.round(viewport.width);
      canvas.height = Math.round(viewport.height);
      await page.render({ canvas, viewport }).promise;
      const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'));
      if (blob) yield blob;
    }
  } finally {
    await pdf.loadingTask.destroy();
  }
}
