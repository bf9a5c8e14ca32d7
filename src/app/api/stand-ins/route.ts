import { listenToStandIn } from '@/server/requests';

export const dynamic = 'force-dynamic';

export const GET = async (request: Request) => listenToStandIn(request);
