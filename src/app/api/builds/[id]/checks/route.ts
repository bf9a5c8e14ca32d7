import { getChecks } from '@/server/checkRequests';

export const GET = async (_: Request, { params }: { params: Promise<{ id: string }> }) =>
  getChecks((await params).id);
