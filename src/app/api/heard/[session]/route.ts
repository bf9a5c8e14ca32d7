import { listenToHeard, postHeard } from '@/server/instrumentRequests';

export const dynamic = 'force-dynamic';

type Asked = { params: Promise<{ session: string }> };

export const GET = async (request: Request, { params }: Asked) =>
  listenToHeard((await params).session, request);

/** What a window heard. */
export const POST = async (request: Request, { params }: Asked) =>
  postHeard((await params).session, request);
