import { getPhoto } from '@/server/photoRequests';

type Asked = { params: Promise<{ id: string }> };

export const GET = async (_: Request, { params }: Asked) => getPhoto((await params).id);
