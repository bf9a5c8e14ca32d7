import { getBuild, putBuild } from '@/server/requests';

type Context = { params: Promise<{ id: string }> };

export const GET = async (_: Request, { params }: Context) => getBuild((await params).id);
export const PUT = async (request: Request, { params }: Context) =>
  putBuild((await params).id, request);
