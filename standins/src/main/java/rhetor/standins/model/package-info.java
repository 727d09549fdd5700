/** A simulated text model behind the chat-completions protocol. */
package rhetor.standins.model;
