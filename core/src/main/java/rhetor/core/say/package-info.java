/**
 * How a fact is put into words, whatever the language: what texts differ in, and how much they
 * repeat. A language is a package below this one.
 */
package rhetor.core.say;
