/** Control characters but line ends and tabs, and marks that turn the writing direction. */
const COMMANDS =
  /[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u200e\u200f\u202a-\u202e\u2066-\u2069]/gu;

/** Text that a terminal shows and does not obey: what a file calls something is not trusted. */
export const plain = (text: string): string => text.replace(COMMANDS, '\ufffd');
