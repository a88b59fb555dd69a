/** What is derived for the size station. Start at {@link yellowbracket.derive.size.SizeFigures}. */
package yellowbracket.derive.size;
