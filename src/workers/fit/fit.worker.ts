import { expose } from 'comlink';
import { stayAlive } from '@/crossing/alive';
import { createFitService } from './fit-service';

expose(createFitService());
stayAlive();
