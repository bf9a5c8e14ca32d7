import { getBackup } from '@/server/requests';

export const dynamic = 'force-dynamic';

export const GET = () => getBackup();
