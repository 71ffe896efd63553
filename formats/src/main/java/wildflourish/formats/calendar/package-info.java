/** Lessons as calendars read them: iCalendar out. */
package wildflourish.formats.calendar;
