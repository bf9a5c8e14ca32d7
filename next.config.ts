import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug', 'fflate'],
  // ./test.sh runs the compiler and the linter by themselves.
  typescript: { ignoreBuildErrors: true },
  // The server's code runs on this machine only: it need not be small, and the build is quicker.
  experimental: {
    serverMinification: false,
    turbopackFileSystemCacheForBuild: false,
    turbopackSourceMaps: false,
    turbopackInputSourceMaps: false,
  },
  env: { HAVRIK_BUILT: process.env.HAVRIK_BUILT ?? 'by hand' },
  headers: () =>
    Promise.resolve([
      {
        source: '/:path*',
        headers: [
          { key: 'X-Content-Type-Options', value: 'nosniff' },
          { key: 'X-Frame-Options', value: 'DENY' },
          { key: 'Referrer-Policy', value: 'no-referrer' },
          { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
          { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
        ],
      },
    ]),
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
