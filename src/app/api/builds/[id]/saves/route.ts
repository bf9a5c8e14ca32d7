import { getSaves } from '@/server/requests';

type Context = { params: Promise<{ id: string }> };

export const GET = async (_: Request, { params }: Context) => getSaves((await params).id);
