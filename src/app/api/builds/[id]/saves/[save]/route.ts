import { getSave } from '@/server/requests';

type Context = { params: Promise<{ id: string; save: string }> };

export const GET = async (_: Request, { params }: Context) => {
  const { id, save } = await params;
  return getSave(id, save);
};
