import { Shelf } from '@/features/shelf/shelf';

export default function ShelfPage() {
  return <Shelf />;
}
