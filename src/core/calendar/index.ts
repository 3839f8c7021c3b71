export { dateOf, dayOf, daysAfter, daysBetween, isDay, startOf, weekdayOf } from './day';
export type { Day } from './day';
export { daysOf, isWeek, weekAt, weekOf, weeksAfter, weeksBetween } from './week';
export type { FirstDay, Week } from './week';
export { lessonsIn, nextLesson, taughtWeeks } from './lessons';
export type { Holiday, LessonTime } from './lessons';
export { calendarFile } from './calendar-file';
export type { CalendarEntry } from './calendar-file';
