import { listenToStandIn } from '@/server/checkRequests';

export const dynamic = 'force-dynamic';

export const GET = async (request: Request) => listenToStandIn(request);
