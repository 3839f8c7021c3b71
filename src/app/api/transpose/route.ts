import { answering } from '@/api/answering';
import { desk } from '@/api/desk';

/** Sends the piece in another key, as a file. */
export const POST = answering('transpose', desk);
