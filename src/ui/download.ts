/** Hands text or bytes to the browser as a file to keep. */
export function download(name: string, content: BlobPart, type: string): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}

/** Lets somebody pick a file and gives its text; too large a one is refused unread. */
export function pickText(
  accept: string,
  largest: number,
): Promise<{ ok: true; text: string } | { ok: false; size: number }> {
  return new Promise((resolve) => {
    const input = document.createElement('input');
    input.type = 'file';
    input.accept = accept;
    input.onchange = () => {
      const file = input.files?.[0];
      if (!file) return;
      if (file.size > largest) resolve({ ok: false, size: file.size });
      else void file.text().then((text) => resolve({ ok: true, text }));
    };
    input.click();
  });
}
