/** What the environment may tell Havrik. */
declare namespace NodeJS {
  interface ProcessEnv {
    HAVRIK_DB?: string;
    HAVRIK_HOSTS?: string;
    HAVRIK_BUILT?: string;
    NEXT_RUNTIME?: string;
    CHROMIUM?: string;
    PORT?: string;
  }
}

/** What is used of a library that has no types of its own. */
declare module 'clipper-lib' {
  interface At {
    X: number;
    Y: number;
  }
  interface Clipper {
    AddPath(path: At[], type: number, closed: boolean): boolean;
    Execute(how: number, found: At[][], subject: number, clip: number): boolean;
  }
  const library: {
    Clipper: new () => Clipper;
    PolyType: { ptSubject: number };
    ClipType: { ctUnion: number };
    PolyFillType: { pftNonZero: number };
  };
  export default library;
}
