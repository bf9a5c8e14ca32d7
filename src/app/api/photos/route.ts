import { addPhoto } from '@/server/photoRequests';

export const dynamic = 'force-dynamic';

export const POST = (request: Request) => addPhoto(request);
