import { getHeard } from '@/server/instrumentRequests';

export const dynamic = 'force-dynamic';

/** Instruments that some window hears now. */
export const GET = async () => getHeard();
