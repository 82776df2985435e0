import vollkorn from '../theme/pdf-fonts/Vollkorn_600SemiBold.ttf?url';
import source from '../theme/pdf-fonts/SourceSans3_400Regular.ttf?url';
import sourceBold from '../theme/pdf-fonts/SourceSans3_600SemiBold.ttf?url';
import type { TDocumentDefinitions } from 'pdfmake/interfaces';

/** Makes a PDF of a page, with the fonts that ship here. The maker is loaded only when somebody asks for a PDF. */
export async function makePdf(page: TDocumentDefinitions, name: string): Promise<File> {
  const pdfMake = (await import('pdfmake/build/pdfmake')).default;
  const at = (path: string) => new URL(path, location.href).href;
  const face = (regular: string, bold: string) => ({
    normal: at(regular),
    bold: at(bold),
    italics: at(regular),
    bolditalics: at(bold),
  });
  pdfMake.addFonts({ Vollkorn: face(vollkorn, vollkorn), Source: face(source, sourceBold) });
  const blob = (await pdfMake.createPdf(page).getBlob()) as Blob;
  return new File([blob], name, { type: 'application/pdf' });
}
