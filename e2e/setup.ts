// Long enough for a machine that has other work.
jest.setTimeout(300_000);
