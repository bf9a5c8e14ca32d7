import type { NextConfig } from 'next';

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'sqlite3', 'umzug'],
  // ./test.sh runs the compiler and the linter by themselves.
  typescript: { ignoreBuildErrors: true },
  poweredByHeader: false,
  devIndicators: false,
};

export default config;
