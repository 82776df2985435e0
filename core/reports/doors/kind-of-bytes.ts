/** Which door a file's first bytes ask for: an archive is a workbook, `%PDF` a PDF, the rest text. */
export function kindOfBytes(bytes: Uint8Array): 'workbook' | 'pdf' | 'text' {
  const [a, b, c, d] = bytes;
  if ((a === 0x50 && b === 0x4b) || (a === 0xd0 && b === 0xcf && c === 0x11 && d === 0xe0)) return 'workbook';
  // a PDF may begin with a few bytes of something else
  const head = new TextDecoder('latin1').decode(bytes.subarray(0, 1024));
  return head.includes('%PDF-') ? 'pdf' : 'text';
}
