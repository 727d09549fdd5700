/** Taking suppliers' sheets in, and giving them back with texts. */
package rhetor.app.intake;
