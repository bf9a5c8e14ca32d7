import { exportBuild } from '@/server/requests';

export const GET = async (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  exportBuild((await params).id);
