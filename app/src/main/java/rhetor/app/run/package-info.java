/** Writing for many products in the background. */
package rhetor.app.run;
