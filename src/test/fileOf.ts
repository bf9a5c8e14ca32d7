/** A file as a browser hands it over: the tests' document does not read files. */
export const fileOf = (text: string, name: string): File =>
  Object.assign(new File([text], name), {
    text: () => Promise.resolve(text),
    arrayBuffer: () =>
      Promise.resolve(Uint8Array.from(text, (letter) => letter.charCodeAt(0)).buffer),
  });
