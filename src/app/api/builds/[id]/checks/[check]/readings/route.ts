import { putReadings } from '@/server/checkRequests';

type Asked = { params: Promise<{ id: string; check: string }> };

export const PUT = async (request: Request, { params }: Asked) => {
  const { id, check } = await params;
  return putReadings(id, check, request);
};
