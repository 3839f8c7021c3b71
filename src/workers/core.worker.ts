import { expose } from 'comlink';
import { createCoreService } from './core-service';

expose(createCoreService());
