/** What can wait and gives way to runs, where several nodes share it: done by whichever node that prints has nothing better to do. */
package apodex.server.errands;
