import { answering } from '@/api/answering';
import { desk } from '@/api/desk';

/** Tells which stages a piece has; with `stage` it sends one of them, as a file. */
export const POST = answering('stages', desk);
