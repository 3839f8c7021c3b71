import { expose } from 'comlink';
import { stayAlive } from '@/crossing/alive';
import { createCoreService } from './core-service';

expose(createCoreService());
stayAlive();
