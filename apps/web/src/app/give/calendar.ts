// In a file of its own so that the iCalendar library is loaded only when a calendar is asked for.
export { planCalendar } from '@pomek/core';
