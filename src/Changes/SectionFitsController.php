<?php

declare(strict_types=1);

namespace MintDoor\Changes;

use MintDoor\Core\Changes\Laws;
use MintDoor\Core\Changes\Verdict;
use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Gate;
use MintDoor\Roster\Repository\SectionNumbers;
use MintDoor\Roster\SectionsQuery;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\Problem;
use MintDoor\Shared\Said;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** Which section suits some people: each is looked at as the change list into it would be. */
final readonly class SectionFitsController
{
    /** Lines looked at in one answer. */
    private const MOST_LINES = 10_000;

    public function __construct(
        private Gate $gate,
        private ChangeComputer $computer,
        private SectionsQuery $sections,
        private SectionNumbers $numbers,
    ) {}

    #[Expensive]
    #[Route(
        '/sites/{site}/section-fits',
        name: 'section_fits',
        requirements: ['site' => Id::PATTERN],
        methods: ['POST'],
    )]
    public function fits(
        string $site,
        #[MapRequestPayload] SectionFitsRequest $body,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->gate->at($site, $caller)->require(Permission::LetIn, 'shared.not-let-people-into');
        $names = $this->sections->names($access);
        $most = intdiv(self::MOST_LINES, max(1, \count($names)));
        if (\count($body->people) > $most) {
            throw Problem::field('/people', 'too-many', Said::with('changes.choose-fewer-people', most: $most));
        }
        $numbers = $this->numbers->of($site, $access->now);
        $fits = [];
        foreach ($names as $id => $name) {
            $seats = $access->site->sections[$id]->seats ?? null;
            $held = $numbers[$id]['learners'] ?? 0;
            $free = null === $seats ? null : max(0, $seats - $held);
            $fits[] = $this->fit($access, (string) $id, $name, $seats, $free, $body);
        }

        return new Answer(new SectionFitsAnswer($fits));
    }

    private function fit(
        SiteAccess $access,
        string $section,
        string $name,
        ?int $seats,
        ?int $free,
        SectionFitsRequest $body,
    ): SectionFit {
        $requests = array_map(
            static fn(string $person): LineRequest => new LineRequest(
                $person,
                'let-in',
                $body->role,
                $body->fromDay,
                $body->untilDay,
                section: $section,
                sure: true,
            ),
            array_values(array_unique($body->people)),
        );
        $fit = $clash = $full = $other = 0;
        foreach ($this->computer->requested($access, $requests)->lines as $line) {
            $verdict = $line->change->verdict ?? Verdict::Refused;
            $code = ($line->change->reasons[0] ?? null)?->code;
            match (true) {
                \in_array($verdict, [Verdict::Ready, Verdict::NothingToDo], true) => ++$fit,
                Laws::CLASH === $code => ++$clash,
                Verdict::WaitsForSeat === $verdict => ++$full,
                default => ++$other,
            };
        }

        return new SectionFit($section, $name, $seats, $free, $fit, $clash, $full, $other);
    }
}
