<?php

declare(strict_types=1);

namespace MintDoor\Sheets;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Core\Sheets\History;
use MintDoor\Core\Sheets\Line;
use MintDoor\Core\Sheets\LineComputer;
use MintDoor\Core\Sheets\Situation;
use MintDoor\Core\Sheets\Verb;
use MintDoor\Core\Sheets\Verdict;
use MintDoor\Core\Sheets\Wanted;
use MintDoor\Core\Time\NotADay;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Core\Time\WindowOutOfOrder;
use MintDoor\Hall\Ids;
use MintDoor\Hall\Problem;
use MintDoor\Hall\ProblemType;
use MintDoor\Hall\Row;
use MintDoor\Logbook\Logbook;
use MintDoor\Roles\Roles;
use MintDoor\Roster\Counts;
use MintDoor\Roster\Enrollments;
use MintDoor\Roster\SegmentRow;
use MintDoor\Roster\SiteAccess;
use MintDoor\Sheets\Entity\ChangeSheet;
use MintDoor\Sheets\Entity\SheetLine;

/** Computes sheets, applies them and takes them back. The rules are the core's; this reads, stores and writes the logbook. */
final readonly class SheetHandler
{
    public function __construct(
        private Situations $situations,
        private Enrollments $enrollments,
        private Counts $counts,
        private LineComputer $computer,
        private Effects $effects,
        private Logbook $logbook,
        private Histories $histories,
        private Roles $roles,
        private Ids $ids,
        private Connection $db,
    ) {
    }

    /**
     * What a line would do. Changes nothing.
     *
     * @return array<string, mixed> schema `SheetLine`
     */
    public function preview(SiteAccess $access, LineWish $wish): array
    {
        $situation = $this->situations->of($access, $this->situations->person($wish->person));

        return $this->json($this->computer->compute($situation, $this->wanted($wish, $access)), $access);
    }

    /**
     * Applies a line at once, as a sheet of its own. Runs inside a transaction, under the site's lock.
     *
     * @return array<string, mixed> schema `SheetLine`
     *
     * @throws Problem of type `Stale` or `NotReady`
     */
    public function apply(EntityManagerInterface $entities, SiteAccess $access, LineWish $wish): array
    {
        $person = $this->situations->person($wish->person);
        $version = $this->enrollments->version($access->site->id, $wish->person);
        if (null !== $wish->version && $wish->version !== $version) {
            throw new Problem(ProblemType::Stale, 'Somebody else changed this person here in the meantime. Look at what is so now, then decide again.');
        }
        $situation = $this->situations->of($access, $person);
        $line = $this->computer->compute($situation, $this->wanted($wish, $access));

        return $this->carryOut($entities, $access, $situation, $person, $line, $wish->verb, note: $wish->note);
    }

    /**
     * Takes an applied line back.
     *
     * @return array<string, mixed> schema `SheetLine`
     *
     * @throws Problem of type `ChangedSince`, `UndoneAlready` or `NotReady`
     */
    public function undo(EntityManagerInterface $entities, SiteAccess $access, string $lineId): array
    {
        $done = $entities->find(SheetLine::class, $lineId) ?? throw Problem::notFound('This change');
        $history = $this->histories->of($access->site->id, [$done->personId])[0][$done->personId] ?? new History([]);
        if (null !== $history->undoneBy($lineId)) {
            throw new Problem(ProblemType::UndoneAlready, 'This was already undone.');
        }
        if (!$history->mayUndo($lineId)) {
            throw new Problem(ProblemType::ChangedSince, 'Something was changed for this person here after this. Undo the later change first, or change it by hand.');
        }
        $person = $this->situations->person($done->personId);
        $situation = $this->situations->of($access, $person);
        $line = $this->computer->undo($situation, array_values(array_map(EffectCodec::read(...), $done->effects)));

        return $this->carryOut($entities, $access, $situation, $person, $line, 'undo', $done);
    }

    /**
     * @return array{entry: ?int, line: ?string, ...<string, mixed>}
     */
    private function carryOut(EntityManagerInterface $entities, SiteAccess $access, Situation $situation, Row $person, Line $line, string $verb, ?SheetLine $undone = null, ?string $note = null): array
    {
        $json = $this->json($line, $access);
        if (Verdict::NothingToDo === $line->verdict) {
            return [...$json, 'entry' => null, 'line' => null, 'version' => $this->enrollments->version($access->site->id, $situation->person->id)];
        }
        if (Verdict::Ready !== $line->verdict) {
            throw new Problem(ProblemType::NotReady, 'This change cannot be made: see its reasons.', more: ['line' => $json]);
        }
        $site = $access->site->id;
        $personId = $situation->person->id;
        $this->effects->store($entities, $site, $personId, $line->effects, $access->caller->id, $note);
        $version = $this->enrollments->store($site, $personId, $person->string('sort_name'), $line->timeline);
        $this->counts->changed($site, $access->now, $line->before, $line->timeline);
        $sheet = new ChangeSheet($this->ids->next(), $site, $access->caller->id, $access->now);
        $stored = new SheetLine(
            $this->ids->next(), $sheet->id, 1, $site, $personId, $verb, $line->verdict->value,
            (array) $json['before'], (array) $json['after'], ['reasons' => $json['reasons'], 'cautions' => $json['cautions']],
            array_map(EffectCodec::write(...), $line->effects), $version, $undone?->id,
        );
        $entities->persist($sheet);
        $entities->persist($stored);
        $entry = $this->logbook->write($entities, $site, $access->caller, $verb, [
            'before' => $json['before'], 'after' => $json['after'], ...(null === $undone ? [] : ['of' => $undone->verb]),
        ], $personId, $stored->id);

        return [...$json, 'entry' => $entry, 'line' => $stored->id, 'version' => $version];
    }

    private function wanted(LineWish $wish, SiteAccess $access): Wanted
    {
        $verb = Verb::from($wish->verb);
        if (\in_array($verb, [Verb::LetIn, Verb::ChangeRole], true) && null === $this->roles->book()->find((string) $wish->role)) {
            throw Problem::field('/lines/0/role', 'no-such-role', 'There is no such role any more. Choose another.');
        }
        if (null === $wish->fromDay && null === $wish->untilDay && null === $wish->days) {
            return new Wanted($verb, $wish->role);
        }
        $zone = $access->zone();
        try {
            $from = match (true) {
                null === $wish->fromDay => Verb::ChangeDates === $verb ? Time::BEGINNING : $access->now,
                Verb::ChangeDates === $verb => Time::startOfDay($wish->fromDay, $zone),
                default => max($access->now, Time::startOfDay($wish->fromDay, $zone)),
            };
            $until = match (true) {
                null !== $wish->untilDay => Time::untilDayIncluded($wish->untilDay, $zone),
                null !== $wish->days => Time::startOfDay((new \DateTimeImmutable('@'.$access->now))->setTimezone($zone)->format('Y-m-d'), $zone, $wish->days),
                default => Time::FOREVER,
            };

            return new Wanted($verb, $wish->role, new Window($from, $until));
        } catch (WindowOutOfOrder) {
            throw Problem::field('/lines/0/untilDay', 'before-start', null === $wish->fromDay ? 'The last day is already over. Choose a later one.' : 'The last day is before the first. Choose a later one.');
        } catch (NotADay $none) {
            throw Problem::field('/lines/0/'.($none->text === $wish->fromDay ? 'fromDay' : 'untilDay'), 'day', 'Write days as year-month-day, such as 2026-12-18.');
        }
    }

    /** @return array{verdict: string, before: ?array<string, mixed>, after: ?array<string, mixed>, outlook: list<array<string, mixed>>, reasons: list<array<string, mixed>>, cautions: list<array<string, mixed>>} */
    private function json(Line $line, SiteAccess $access): array
    {
        return [
            'verdict' => $line->verdict->value,
            'before' => SegmentRow::json($line->before, $this->roles->book()),
            'after' => SegmentRow::json($line->after, $this->roles->book()),
            'outlook' => SegmentRow::stretches($line->timeline->from($access->now)->segments, $this->roles->book()),
            'reasons' => array_map($this->note(...), $line->reasons),
            'cautions' => array_map($this->note(...), $line->cautions),
        ];
    }

    /** @return array<string, mixed> schema `Note` */
    private function note(\MintDoor\Core\Sheets\Note $note): array
    {
        return ['code' => $note->code, 'values' => (object) \MintDoor\Roster\Values::json($note->values, $this->doorNames(...))];
    }

    private function doorNames(string $doorId): string
    {
        $name = $this->db->fetchOne('SELECT name FROM door WHERE id = ?', [\MintDoor\Hall\Id::binary($doorId)]);

        return \is_string($name) ? $name : '';
    }
}
