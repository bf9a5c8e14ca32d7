/** What the environment may tell Havrik. */
declare namespace NodeJS {
  interface ProcessEnv {
    HAVRIK_DB?: string;
    HAVRIK_HOSTS?: string;
    HAVRIK_LAN?: string;
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
  interface ClipperOffset {
    AddPaths(paths: At[][], join: number, end: number): void;
    Execute(found: At[][], by: number): void;
  }
  const library: {
    Clipper: { new (): Clipper; Orientation(path: At[]): boolean };
    ClipperOffset: new (miter: number, arc: number) => ClipperOffset;
    PolyType: { ptSubject: number; ptClip: number };
    ClipType: { ctUnion: number; ctIntersection: number; ctDifference: number };
    PolyFillType: { pftNonZero: number };
    JoinType: { jtRound: number };
    EndType: { etClosedPolygon: number };
  };
  export default library;
}
