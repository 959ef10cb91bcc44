/** Measures printing against what the machine itself needs, in one run, so that the figures travel between machines. */
package apodex.bench;
