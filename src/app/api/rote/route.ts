import { answering } from '@/api/answering';
import { desk } from '@/api/desk';

/** Tells a piece in words and finger numbers. */
export const POST = answering('rote', desk);
