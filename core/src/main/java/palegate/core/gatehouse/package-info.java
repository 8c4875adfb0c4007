/** The first screen of a day: what begins and ends by date, and a few figures of a state. */
package palegate.core.gatehouse;
