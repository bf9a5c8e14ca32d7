import { addBuild, getBuilds } from '@/server/requests';

export const GET = (request: Request) => getBuilds(request);
export const POST = (request: Request) => addBuild(request);
