import { bringInstrumentBack, putInstrument, removeInstrument } from '@/server/instrumentRequests';

type Asked = { params: Promise<{ id: string }> };

export const PUT = async (request: Request, { params }: Asked) =>
  putInstrument((await params).id, request);

export const DELETE = async (_: Request, { params }: Asked) => removeInstrument((await params).id);

/** Gets it back. */
export const POST = async (_: Request, { params }: Asked) => bringInstrumentBack((await params).id);
