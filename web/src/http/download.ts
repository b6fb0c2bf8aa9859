/** Gives the person a file that was made here: text as it is, anything else as JSON. */
export function download(name: string, type: string, content: object | string): void {
  const text = typeof content === 'string' ? content : JSON.stringify(content, null, 2);
  const url = URL.createObjectURL(new Blob([text], { type }));
  const link = Object.assign(document.createElement('a'), { href: url, download: name });
  link.click();
  URL.revokeObjectURL(url);
}
