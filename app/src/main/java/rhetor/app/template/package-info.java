/** How the house's texts are built: templates, their versions, and trying them. */
package rhetor.app.template;
