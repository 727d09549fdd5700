/**
 * Reading suppliers' sheets: {@link rhetor.core.sheet.Sheet#open} finds out how a file is written
 * and streams its rows with every cell's exact characters.
 */
package rhetor.core.sheet;
