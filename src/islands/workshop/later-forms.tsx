import {
  createElement,
  useEffect,
  useRef,
  useState,
  type ComponentProps,
  type ComponentType,
  type JSX,
} from 'react';
import type { CableEntry, ConnectorEntry } from '../../core/catalogue';
import { useLater } from '../../ui';
import type { MeterForm as LaterMeterForm } from './MeterForm';
import type { SetUpForm as LaterSetUpForm } from './SetUpForm';
import type { Saved } from './useEntryForm';
import styles from './Workshop.module.css';

/** When a form is fetched that nobody opened: it may have something in it that was begun before, ms. */
const AFTER = 2_000;

interface FormProps<Entry> {
  readonly onSave: (entry: Entry) => Promise<Saved>;
  /** Whether it stands open from the first. */
  readonly opened: boolean;
}

/** A form behind its name: what it takes is fetched when it is opened, or a little after the page. */
function later<Props extends FormProps<never>>(name: string, load: () => Promise<ComponentType<Props>>) {
  return function LaterForm(props: Omit<Props, 'opened'>) {
    const [opened, setOpened] = useState(false);
    const [wanted, setWanted] = useState(false);
    const Form = useLater(load, wanted, 0);
    const details = useRef<HTMLDetailsElement>(null);
    useEffect(() => {
      // It may have been opened before this page had its script.
      const early = details.current?.open === true;
      if (early) setOpened(true);
      const timer = setTimeout(() => setWanted(true), early ? 0 : AFTER);
      return () => clearTimeout(timer);
    }, []);
    const shut = (
      <details
        className={styles['form']}
        ref={details}
        open={opened}
        onToggle={(event) => {
          if (!event.currentTarget.open) return;
          setOpened(true);
          setWanted(true);
        }}
      >
        <summary>{name}</summary>
      </details>
    );
    return Form ? createElement(Form, { ...props, opened } as Props & JSX.IntrinsicAttributes) : shut;
  };
}

/** Describing a connector that is in no list. */
export const ConnectorForm = later<FormProps<ConnectorEntry>>(
  'Describe a connector',
  async () => (await import('./ConnectorForm')).ConnectorForm,
);

/** Describing a cable that is in no list. */
export const CableForm = later<FormProps<CableEntry>>(
  'Describe a cable',
  async () => (await import('./CableForm')).CableForm,
);

/** Describing the house's meter. */
export const MeterForm = later<ComponentProps<typeof LaterMeterForm>>(
  'Describe the meter',
  async () => (await import('./MeterForm')).MeterForm,
);

/** Timing how long it takes to lay hands on each tool. */
export const SetUpForm = later<ComponentProps<typeof LaterSetUpForm>>(
  'Time your own',
  async () => (await import('./SetUpForm')).SetUpForm,
);
