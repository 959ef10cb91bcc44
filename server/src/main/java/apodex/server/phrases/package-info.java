/** Pass phrases: how they are kept, and how guessing is made to cost the guesser. */
package apodex.server.phrases;
