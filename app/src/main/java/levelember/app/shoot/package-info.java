/** Shoots, their edits, undo and redo, import and export. */
package levelember.app.shoot;
