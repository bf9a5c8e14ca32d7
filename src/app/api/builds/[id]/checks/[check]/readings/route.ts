import { putReadings } from '@/server/requests';

type Asked = { params: Promise<{ id: string; check: string }> };

export const PUT = async (request: Request, { params }: Asked) => {
  const { id, check } = await params;
  return putReadings(id, check, request);
};
