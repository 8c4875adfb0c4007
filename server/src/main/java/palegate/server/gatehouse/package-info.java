/** The first screen of whoever administers: what is new, what ends soon, and a few figures over two years. */
package palegate.server.gatehouse;
