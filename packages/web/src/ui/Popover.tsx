/** A small panel beside its button: one open at a time, Esc and outside click close it, focus goes in and comes back. */
import {
  autoUpdate,
  flip,
  FloatingFocusManager,
  FloatingPortal,
  offset,
  shift,
  useDismiss,
  useFloating,
  useInteractions,
} from '@floating-ui/react';
import type { Placement } from '@floating-ui/react';
import { useId, useState } from 'react';
import type { ReactNode } from 'react';

export interface PopoverProps {
  /** what the button shows */
  trigger: ReactNode;
  className?: string;
  label?: string;
  placement?: Placement;
  disabled?: boolean;
  children: (close: () => void) => ReactNode;
}

export function Popover(props: PopoverProps) {
  const { trigger, className = 'btn', label, disabled } = props;
  // The button it hangs on, while it is open.
  const [button, setButton] = useState<HTMLButtonElement | null>(null);
  const id = useId();
  return (
    <>
      <button
        type="button"
        className={className}
        aria-label={label}
        aria-haspopup="dialog"
        aria-expanded={button !== null}
        aria-controls={button ? id : undefined}
        disabled={disabled}
        onClick={(e) => setButton(button ? null : e.currentTarget)}
      >
        {trigger}
      </button>
      {button && <Panel {...props} id={id} button={button} onClose={() => setButton(null)} />}
    </>
  );
}

interface PanelProps extends Pick<PopoverProps, 'label' | 'placement' | 'children'> {
  id: string;
  button: HTMLButtonElement;
  onClose(): void;
}

/** Most popovers are never opened: all that places one and keeps its focus begins with it. */
function Panel({ id, button, label, placement = 'bottom-start', children, onClose }: PanelProps) {
  const { refs, floatingStyles, context } = useFloating({
    open: true,
    onOpenChange: (open) => !open && onClose(),
    elements: { reference: button },
    placement,
    middleware: [offset(4), flip(), shift({ padding: 8 })],
    whileElementsMounted: autoUpdate,
  });
  const { getFloatingProps } = useInteractions([useDismiss(context)]);
  return (
    <FloatingPortal>
      <FloatingFocusManager context={context} modal={false}>
        <div
          ref={refs.setFloating}
          style={floatingStyles}
          className="popover"
          {...getFloatingProps({ id, role: 'dialog', 'aria-label': label })}
        >
          {children(onClose)}
        </div>
      </FloatingFocusManager>
    </FloatingPortal>
  );
}

/** A list of choices inside a Pop. */
export function Choices<T extends string>({
  options,
  value,
  onChoose,
}: {
  options: readonly { value: T; text: ReactNode; note?: string }[];
  value?: T;
  onChoose: (v: T) => void;
}) {
  return (
    <div className="popover-list">
      {options.map((o) => (
        <button
          key={o.value}
          type="button"
          aria-current={o.value === value}
          onClick={() => onChoose(o.value)}
        >
          <span className="grow whitespace-nowrap">{o.text}</span>
          {o.note && <i className="text-right text-[11px] text-(--ink-3)">{o.note}</i>}
        </button>
      ))}
    </div>
  );
}
