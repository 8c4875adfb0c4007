/** Who asks, what they administer, and what they may know (access rules, section 9). */
package palegate.core.viewpoint;
