import { importBuild } from '@/server/requests';

export const POST = (request: Request) => importBuild(request);
