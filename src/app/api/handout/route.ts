import { answering } from '@/api/answering';
import { desk } from '@/api/desk';

/** Sends a piece as sheets to be printed. */
export const POST = answering('handout', desk);
