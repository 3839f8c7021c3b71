import { expose } from 'comlink';
import { openDatabase } from '@/data/database';
import { stayAlive } from './alive';
import { createStoreService } from './store-service';

expose(createStoreService(openDatabase()));
stayAlive();
