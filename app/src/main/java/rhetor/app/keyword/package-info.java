/** The keywords that products' pages are to be found by. */
package rhetor.app.keyword;
