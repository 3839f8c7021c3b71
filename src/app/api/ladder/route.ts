import { answering } from '@/api/answering';
import { desk } from '@/api/desk';

/** Tells how the piece lies in all fifteen keys of its mode, or of the one that is asked for. */
export const POST = answering('ladder', desk);
