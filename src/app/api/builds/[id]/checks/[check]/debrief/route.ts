import { debrief } from '@/server/checkRequests';

/** Ends a training. */
export const POST = async (
  request: Request,
  { params }: { params: Promise<{ id: string; check: string }> },
) => {
  const { id, check } = await params;
  return debrief(id, check, request);
};
