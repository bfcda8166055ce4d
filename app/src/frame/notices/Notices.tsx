import { type Notice, noticeGroups, withoutAside } from '@ombra/core/kernel/notices';
import { useMemo, useState } from 'react';
import type { Job } from '../../job/useJob';
import { placeOfNotice } from '../../job/place';
import { VIEWS, viewOf } from '../../stages';
import { useOpenRule } from '../openRule';
import { AsideList } from './AsideList';
import { NoticeLine } from './NoticeLine';
import type { NoticeActions } from './NoticeText';
import { SEVERITY_LOOKS, countText } from './severity';

/** The notices of another stage in one line: how many of which severity. It opens to them. */
function OtherStage({
  name,
  notices,
  ...actions
}: NoticeActions & { readonly name: string; readonly notices: readonly Notice[] }) {
  const [open, setOpen] = useState(false);
  const groups = noticeGroups(notices);
  const { colour, Icon } = SEVERITY_LOOKS[groups[0]?.severity ?? 'tip'];
  return (
    <li>
      <button
        type="button"
        className="flex min-h-(--target) w-full items-center justify-between gap-2 border-b border-line px-1.5 text-left text-sm"
        aria-expanded={open}
        onClick={() => {
          setOpen(!open);
        }}
      >
        <span>{name}</span>
        <span>
          <Icon aria-hidden="true" size={15} className={`mr-1 inline align-[-2px] ${colour}`} />
          {countText(groups.map(({ severity }) => severity))}
        </span>
      </button>
      {open && (
        <ul className="my-2 flex flex-col gap-2">
          {groups.map((group) => (
            <NoticeLine key={group.id} group={group} {...actions} />
          ))}
        </ul>
      )}
    </li>
  );
}

/**
 * What is wrong, risky or good to know: a line for each cause. Those of the shown stage come first, with those of the whole job
 * and the stops of any stage; what else other stages say has a line for each of them. What somebody has set aside is counted, and can be brought back.
 */
export function Notices({
  job,
  notices,
  stage,
  onGo,
}: {
  readonly job: Pick<Job, 'edit' | 'checked'> & { readonly plan: Job['plan'] };
  readonly notices: readonly Notice[];
  readonly stage: string;
  readonly onGo: (notice: Notice) => void;
}) {
  const openRule = useOpenRule();
  const { open, aside } = useMemo(
    () => withoutAside(notices, job.plan.setAside),
    [notices, job.plan.setAside],
  );
  const shown = useMemo(
    () =>
      noticeGroups(
        open.filter(
          ({ place, severity }) => place.stage === stage || place.stage === undefined || severity === 'stop',
        ),
      ),
    [open, stage],
  );
  const others = VIEWS.flatMap(({ id, name }) => {
    const own =
      id === stage ? [] : open.filter(({ place, severity }) => place.stage === id && severity !== 'stop');
    return own.length === 0 ? [] : [{ id, name, own }];
  });
  const actions: NoticeActions = {
    onEdit: job.edit,
    goTo: (notice) => {
      const { stage: other, rule, setting } = notice.place;
      const elsewhere = other !== undefined && other !== stage;
      if (elsewhere || setting !== undefined || Object.keys(placeOfNotice(notice)).length > 0) {
        return () => {
          onGo(notice);
        };
      }
      return rule === undefined
        ? null
        : () => {
            openRule(rule);
          };
    },
  };
  return (
    <section aria-label="Notices">
      <h2 className="heading mb-1">Notices</h2>
      {shown.length === 0 && (
        <p className="text-sm text-quiet">
          {!job.checked ? 'Checking …' : others.length === 0 ? 'No notices.' : 'No notices here.'}
        </p>
      )}
      {shown.length > 0 && (
        <ul className="flex flex-col gap-2">
          {shown.map((group) => (
            <NoticeLine
              key={group.id}
              group={group}
              {...(group.stage === stage ? {} : { from: viewOf(group.stage)?.name })}
              {...actions}
            />
          ))}
        </ul>
      )}
      {others.length > 0 && (
        <>
          <h3 className="heading mt-3">Other stages</h3>
          <ul>
            {others.map(({ id, name, own }) => (
              <OtherStage key={id} name={name} notices={own} {...actions} />
            ))}
          </ul>
        </>
      )}
      {aside.length > 0 && <AsideList aside={aside} {...actions} />}
    </section>
  );
}
