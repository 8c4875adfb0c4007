/** The Sallowpoint Adjusting scenario, generated from a fixed seed with dates relative to a day. */
package palegate.demo;
