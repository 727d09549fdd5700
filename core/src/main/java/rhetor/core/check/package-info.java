/** Checking any text, whoever wrote it, and the readiness that follows from it. */
package rhetor.core.check;
