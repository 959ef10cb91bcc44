/**
 * What is wrong with a recording, told from its samples alone: {@link apodex.examine.Examiner} reads it once and lets every
 * {@code Watch} hear it; each tells at most one {@link apodex.examine.Oddity}. A watch is one file with the rule that it
 * follows; {@code Examiner} lists them. May depend on {@code audio}, {@code measure} and {@code time}.
 */
package apodex.examine;
