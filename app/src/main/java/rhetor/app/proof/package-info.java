/** Texts being read: with their footnotes, marks and history. */
package rhetor.app.proof;
