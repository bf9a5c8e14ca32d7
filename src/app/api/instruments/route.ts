import { getInstruments } from '@/server/instrumentRequests';

export const dynamic = 'force-dynamic';

export const GET = async () => getInstruments();
