/** Hands the person a text as a file. */
export const saveText = (name: string, type: string, text: string): void =>
  saveBlob(name, new Blob([text], { type }));

/** Hands the person bytes as a file. */
export const saveBytes = (name: string, type: string, bytes: Uint8Array): void =>
  saveBlob(name, new Blob([bytes as Uint8Array<ArrayBuffer>], { type }));

/** Hands the person a file. */
export function saveBlob(name: string, blob: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
