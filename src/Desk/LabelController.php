<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Changes\ChangeContextLoader;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Platform\LabelsKept;
use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\Core\Roles\Permission;
use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\People\PersonRow;
use MintDoor\People\Repository\Directory;
use MintDoor\People\Repository\Labels;
use MintDoor\Platform\PlatformSettings;
use MintDoor\Roster\Caring;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\Enrollments;
use MintDoor\Roster\Sights;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Somebody;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

final readonly class LabelController
{
    private const MOST = 12;

    private const MAY = 'desk.not-put-labels-people-leads';

    public function __construct(
        private Gate $gate,
        private Labels $labels,
        private ChangeContextLoader $contextLoader,
        private Enrollments $enrollments,
        private Transaction $transaction,
        private History $history,
        private Directory $directory,
        private Caring $caring,
        private PlatformSettings $settings,
        private Sights $sights,
    ) {}

    /** Labels there are, to be completed from what was typed. */
    #[Route('/sites/{site}/labels', name: 'labels', requirements: ['site' => Id::PATTERN], methods: ['GET'])]
    public function like(string $site, #[CurrentUser] Caller $caller, #[MapQueryParameter] string $q = ''): Response
    {
        $this->gate->at($site, $caller)->require(Permission::LabelPeople, self::MAY);

        $typed = mb_substr(mb_scrub($q), 0, Labels::LONGEST);
        $kept = $this->settings->asPut()->labels;
        $most = $kept->free ? self::MOST : SettingsLaws::MOST_LABELS;
        $found = $this->labels->like($typed, $most, $this->directory->reachOf($caller), $site);

        return new Answer([
            'items' => $kept->free ? $found : self::ofList($kept->like($typed), $found),
            'free' => $kept->free,
        ]);
    }

    #[Expensive(from: 4_096)]
    #[Route('/sites/{site}/labels', name: 'label_people', requirements: ['site' => Id::PATTERN], methods: ['POST'])]
    public function put(
        string $site,
        #[MapRequestPayload] LabelRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->gate->at($site, $caller)->require(Permission::LabelPeople, self::MAY);
        if (!$body->apply) {
            return self::answer($this->lines($access, $body, $this->named($body)));
        }

        return $this->transaction->run($request, $caller, [$site], function () use ($site, $caller, $body): Answer {
            $access = $this->gate->at($site, $caller)->require(Permission::LabelPeople, self::MAY);
            $label = $this->named($body);
            $lines = $this->lines($access, $body, $label);
            $changed = array_filter($lines, static fn(LabelLine $line): bool => Verdict::Ready === $line->verdict);
            $ready = array_map(static fn(LabelLine $line): string => $line->person->id, array_values($changed));
            $entry = null;
            if ([] !== $ready) {
                $this->labels->set($label, $ready, $body->on, $caller->id, $access->now);
                $data = ['label' => $label, 'people' => $ready];
                $entry = $this->history->write(
                    $site,
                    $caller,
                    new Happening(
                        $body->on ? 'label-on' : 'label-off',
                        ['before' => ['on' => !$body->on], 'after' => ['on' => $body->on], ...$data],
                        1 === \count($ready) ? $ready[0] : null,
                    ),
                );
            }

            return self::answer(
                array_map(static fn(LabelLine $line): LabelLine => $line->written($entry), $lines),
            );
        });
    }

    /**
     * The labels of the list, with how many bear them.
     *
     * @param list<string>                            $names
     * @param list<array{name: string, people: int}> $found
     *
     * @return list<array{name: string, people: int}>
     */
    private static function ofList(array $names, array $found): array
    {
        $people = [];
        foreach ($found as $each) {
            $people[LabelsKept::fold($each['name'])] = $each['people'];
        }

        return array_map(
            static fn(string $name): array => ['name' => $name, 'people' => $people[LabelsKept::fold($name)] ?? 0],
            \array_slice($names, 0, self::MOST),
        );
    }

    /** @throws Problem at `/label` for one that is not of the list; whatever is on somebody may be taken off */
    private function named(LabelRequest $body): string
    {
        return ($body->on ? $this->settings->asPut()->labels->named($body->name()) : $body->name())
            ?? throw Problem::field('/label', 'not-of-list', 'desk.label-not-of-list');
    }

    /** @param list<LabelLine> $lines */
    private static function answer(array $lines): Answer
    {
        return new Answer(['changeList' => null, 'lines' => $lines, 'removal' => null]);
    }

    /** @return list<LabelLine> */
    private function lines(SiteAccess $access, LabelRequest $body, string $label): array
    {
        $asked = array_values(array_unique($body->people));
        $people = $this->contextLoader->people($asked);
        if (
            $this->sights->among($access, $asked) !== $asked
            || \in_array(0, $this->enrollments->versions($access->site->id, $asked), true)
        ) {
            throw Problem::notFound('person');
        }
        $bearers = $this->labels->bearers($label, $asked);
        $whole = $this->caring->known(array_values($people), $access->caller, $access->site->division);
        $lines = [];
        foreach ($asked as $id) {
            $person = new Somebody($id, PersonRow::name($people[$id]));
            $lines[] = match (true) {
                !isset($whole[$id]) => new LabelLine($person, Verdict::Refused, 'not-yours-to-label'),
                \in_array($id, $bearers, true) === $body->on =>
                    new LabelLine($person, Verdict::NothingToDo, 'already-so'),
                default => new LabelLine($person, Verdict::Ready, null),
            };
        }

        return $lines;
    }
}
