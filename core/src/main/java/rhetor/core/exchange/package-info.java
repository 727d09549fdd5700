/**
 * Texts as they leave: HTML for shops, columns beside a sheet's own, and the writing of a whole
 * sheet.
 */
package rhetor.core.exchange;
