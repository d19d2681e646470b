import type { PeerMedian, TrendCard } from '../../../api/types';
import type { Frame } from '../../../charts/scales';
import { TrendChart } from '../../../charts/TrendChart';
import { unbroken } from '../../../lib/format';
import { useNames } from '../../../lib/names';
import { DecisionWord } from '../../../ui/Decision';

/** One monitored student: what is proposed, why, and the chart; opens large. */
export function CardItem({
  card,
  frame,
  peers,
  onOpen,
}: {
  card: TrendCard;
  frame: Frame;
  peers: PeerMedian[];
  onOpen: () => void;
}) {
  const { nameOf } = useNames();
  return (
    <li className="keep border-t border-line [content-visibility:auto] [contain-intrinsic-size:auto_285px]">
      <button type="button" data-chart onClick={onOpen} className="block w-full text-left pt-1.5 hover:bg-wash">
        <span className="flex justify-between gap-2 text-[14.5px] font-semibold">
          <span className="truncate">{nameOf(card.student)}</span>
          {card.proposal && (
            <span className="whitespace-nowrap">
              {card.settledUntil ? (
                <span className="text-soft font-normal">decided</span>
              ) : (
                <DecisionWord kind={card.proposal.kind} label={card.proposal.label} />
              )}
            </span>
          )}
        </span>
        <span className="block text-soft text-[12.8px] leading-[1.3] h-[50px] overflow-hidden">
          {unbroken(card.proposal?.reason ?? '')}
        </span>
        <TrendChart card={card} frame={frame} width={256} height={200} size="small" peers={peers} />
      </button>
    </li>
  );
}
