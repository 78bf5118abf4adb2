import './as-written-here'
import { expose } from 'comlink'
import { PlanService } from './plan-service'

expose(new PlanService())
