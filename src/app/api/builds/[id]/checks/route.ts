import { getChecks } from '@/server/requests';

export const GET = async (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  getChecks((await params).id);
