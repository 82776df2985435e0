/** A file that one page hands to another without the person choosing it again; gone once it is taken, and on reload. */
let handed: File | undefined;

export const handOver = (file: File): void => {
  handed = file;
};

export function takeHanded(): File | undefined {
  const file = handed;
  handed = undefined;
  return file;
}
