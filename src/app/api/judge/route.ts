import { answering } from '@/api/answering';
import { desk } from '@/api/desk';

/** Tells what was right and wrong in a performance of the piece that was sent with it. */
export const POST = answering('judge', desk);
