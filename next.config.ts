import type { NextConfig } from 'next';
import { STATIONS } from './src/core/judging/stations';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug', 'fflate', 'sharp'],
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
  // A build is one page, whichever of its stations the address names: going from one to another fetches nothing.
  rewrites: () =>
    Promise.resolve([
      { source: `/builds/:id/:station(${STATIONS.join('|')})`, destination: '/builds/:id' },
      // Browsers ask for it by this name too.
      { source: '/favicon.ico', destination: '/icon.svg' },
    ]),
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
