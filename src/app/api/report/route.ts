import { answering } from '@/api/answering';
import { desk } from '@/api/desk';

/** Tells what moving the piece does: notes, positions, flags. */
export const POST = answering('report', desk);
