/** Gives the person a file that was made here. */
export function download(name: string, type: string, content: object): void {
  const url = URL.createObjectURL(new Blob([JSON.stringify(content, null, 2)], { type }));
  const link = Object.assign(document.createElement('a'), { href: url, download: name });
  link.click();
  URL.revokeObjectURL(url);
}
