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
