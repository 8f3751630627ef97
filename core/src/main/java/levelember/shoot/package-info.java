/**
 * The description of a shoot as immutable records: the shoot with its shots and its meter here,
 * pieces, materials, lights, looks and motion in packages of their own.
 *
 * <p>Lengths are metres, angles degrees, right-handed with +Y up. Every record checks what it is
 * given and answers an impossible value with {@link levelember.document.ImpossibleValue}, which
 * names the field and the allowed range. Uses only {@code math} and {@code document}.
 */
package levelember.shoot;
