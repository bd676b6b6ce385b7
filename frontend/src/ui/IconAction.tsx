/** A button that is a sign; its name is its tooltip. */
import IconButton from "@mui/material/IconButton";
import Tooltip from "@mui/material/Tooltip";
import { Icon, type IconName } from "./Icon";

interface Props {
  icon: IconName;
  name: string;
  onClick: () => void;
  disabled?: boolean;
  small?: boolean;
  pressed?: boolean;
}

export function IconAction({ icon, name, onClick, disabled, small, pressed }: Props) {
  const side = small ? 32 : 40;
  return (
    <Tooltip title={name} describeChild>
      <span>
        <IconButton
          aria-label={name}
          aria-pressed={pressed}
          onClick={disabled ? undefined : onClick}
          // Not disabled: who stands on it would lose where they are.
          aria-disabled={disabled || undefined}
          color={pressed ? "primary" : "default"}
          sx={{
            width: side,
            height: side,
            borderRadius: 1,
            opacity: disabled ? 0.4 : 1,
            cursor: disabled ? "default" : "pointer",
            "@media (pointer: coarse)": { width: 44, height: 44 },
          }}
        >
          <Icon name={icon} size={small ? 17 : 20} />
        </IconButton>
      </span>
    </Tooltip>
  );
}
