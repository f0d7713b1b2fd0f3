import pdfMake from 'pdfmake/build/pdfmake';
import vfs from 'pdfmake/build/vfs_fonts';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

/** Points of the printed page in a millimetre. */
export const MM = 72 / 25.4;

/** A PDF of the given content, with the font that comes along: nothing is fetched. */
export async function pdf(content: TDocumentDefinitions): Promise<Blob> {
  pdfMake.addVirtualFileSystem(vfs);
  return pdfMake.createPdf({ pageSize: 'A4', defaultStyle: { fontSize: 11 }, ...content }).getBlob();
}
