import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug'],
  // ./test.sh runs the compiler and the linter by themselves.
  typescript: { ignoreBuildErrors: true },
  // The server's code runs on this machine only: it need not be small, and the build is quicker.
  experimental: {
    serverMinification: false,
    turbopackFileSystemCacheForBuild: false,
    turbopackSourceMaps: false,
    turbopackInputSourceMaps: false,
  },
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
