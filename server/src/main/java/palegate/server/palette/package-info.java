/** Going to anything by a part of its name: what the pages keep of where somebody went last is looked up anew. */
package palegate.server.palette;
