import type { SVGProps } from "react";

type Props = Omit<SVGProps<SVGTextElement>, "fontSize"> & { size: number; bold?: boolean; serif?: boolean };

/** Text in a drawing. Sizes go through style, since the page's reset outweighs presentation attributes. */
export function SvgText({ size, bold, serif, style, ...rest }: Props) {
  return (
    <text
      {...rest}
      style={{
        fontSize: size,
        fontWeight: bold ? 600 : 400,
        fontFamily: serif ? "'Fraunces Variable', Georgia, serif" : undefined,
        ...style,
      }}
    />
  );
}
