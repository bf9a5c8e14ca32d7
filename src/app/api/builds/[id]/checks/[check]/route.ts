import { bringCheckBack, putCheck, removeCheck } from '@/server/checkRequests';

type Asked = { params: Promise<{ id: string; check: string }> };

export const PUT = async (request: Request, { params }: Asked) => {
  const { id, check } = await params;
  return putCheck(id, check, request);
};

export const DELETE = async (_: Request, { params }: Asked) => {
  const { id, check } = await params;
  return removeCheck(id, check);
};

/** Gets it back. */
export const POST = async (_: Request, { params }: Asked) => {
  const { id, check } = await params;
  return bringCheckBack(id, check);
};
