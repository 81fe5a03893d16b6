/** A small panel beside its button: one open at a time, Esc and outside click close it, focus goes in and comes back. */
import {
  autoUpdate,
  flip,
  FloatingFocusManager,
  FloatingPortal,
  offset,
  shift,
  useClick,
  useDismiss,
  useFloating,
  useInteractions,
  useRole,
} from '@floating-ui/react';
import type { Placement } from '@floating-ui/react';
import { useState } from 'react';
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

export function Popover({
  trigger,
  className = 'btn',
  label,
  placement = 'bottom-start',
  disabled,
  children,
}: PopoverProps) {
  const [open, setOpen] = useState(false);
  const { refs, floatingStyles, context } = useFloating({
    open,
    onOpenChange: setOpen,
    placement,
    middleware: [offset(4), flip(), shift({ padding: 8 })],
    whileElementsMounted: autoUpdate,
  });
  const { getReferenceProps, getFloatingProps } = useInteractions([
    useClick(context),
    useDismiss(context),
    useRole(context, { role: 'dialog' }),
  ]);
  return (
    <>
      <button
        type="button"
        ref={refs.setReference}
        className={className}
        aria-label={label}
        disabled={disabled}
        {...getReferenceProps()}
      >
        {trigger}
      </button>
      {open && (
        <FloatingPortal>
          <FloatingFocusManager context={context} modal={false}>
            <div
              ref={refs.setFloating}
              style={floatingStyles}
              className="popover"
              aria-label={label}
              {...getFloatingProps()}
            >
              {children(() => setOpen(false))}
            </div>
          </FloatingFocusManager>
        </FloatingPortal>
      )}
    </>
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
