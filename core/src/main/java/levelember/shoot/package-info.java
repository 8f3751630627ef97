/**
 * The description of a shoot as immutable records: pieces, materials, lights, shots and looks.
 *
 * <p>Lengths are metres, angles degrees, right-handed with +Y up. Every record checks what it is
 * given and answers an impossible value with {@link levelember.document.ImpossibleValue}, which
 * names the field and the allowed range. Uses only {@code math}.
 */
package levelember.shoot;
