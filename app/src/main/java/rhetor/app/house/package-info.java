/** What belongs to the whole house: its settings, its clock and knowledge, and the command line. */
package rhetor.app.house;
