import { expose } from 'comlink';
import { openDatabase } from '../database';
import { stayAlive } from '@/crossing/alive';
import { createStoreService } from './store-service';

// The page makes the studio: what a worker does not find it does not make anew and empty.
expose(createStoreService(openDatabase(undefined, () => false)));
stayAlive();
