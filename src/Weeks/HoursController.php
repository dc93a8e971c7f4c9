<?php

declare(strict_types=1);

namespace MintDoor\Weeks;

use MintDoor\Core\Roles\Permission;
use MintDoor\Roster\Gate;
use MintDoor\Roster\SectionsHandler;
use MintDoor\Roster\SectionsQuery;
use MintDoor\Roster\SiteAccess;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Expensive;
use MintDoor\Shared\Id;
use MintDoor\Shared\IfMatch;
use MintDoor\Shared\Transaction;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\Attribute\CurrentUser;

/** When a site and its sections meet, also from a calendar and as one. */
final readonly class HoursController
{
    private const AT = '/sites/{site}/hours';

    private const SITE = ['site' => Id::PATTERN];

    public function __construct(
        private Gate $gate,
        private HoursQuery $hours,
        private HoursHandler $handler,
        private SectionsQuery $sections,
        private CalendarWriter $calendar,
        private Transaction $transaction,
    ) {}

    #[Route(self::AT, name: 'hours', requirements: self::SITE, methods: ['GET'])]
    public function hours(string $site, #[CurrentUser] Caller $caller): Response
    {
        return $this->answer($this->seen($site, $caller));
    }

    #[Route(self::AT, name: 'put_hours', requirements: self::SITE, methods: ['PUT'])]
    public function put(
        string $site,
        #[MapRequestPayload] HoursRequest $body,
        Request $request,
        #[CurrentUser] Caller $caller,
    ): Response {
        SectionsHandler::assertMay($this->gate->at($site, $caller));

        return $this->transaction->run($request, $caller, [$site], function () use (
            $site,
            $body,
            $request,
            $caller,
        ): Answer {
            $access = $this->gate->at($site, $caller);
            SectionsHandler::assertMay($access);
            IfMatch::of($request)->assert($access->row->int('version'));
            $entry = $this->handler->change($access, $body);

            return $this->answer($this->gate->at($site, $caller), 0 === $entry ? null : $entry);
        });
    }

    /** What a calendar somebody made elsewhere would come to here; keeps nothing. */
    #[Expensive]
    #[Route(self::AT.'/read', name: 'read_hours', requirements: self::SITE, methods: ['POST'])]
    public function read(
        string $site,
        #[MapRequestPayload] HoursFileRequest $body,
        #[CurrentUser] Caller $caller,
    ): Response {
        $access = $this->gate->at($site, $caller);
        SectionsHandler::assertMay($access);

        return new Answer(HoursFile::read($body->text, $access, $this->sections->names($access)));
    }

    #[Route(self::AT.'/calendar', name: 'hours_calendar', requirements: self::SITE, methods: ['GET'])]
    public function calendar(string $site, #[CurrentUser] Caller $caller): Response
    {
        $access = $this->seen($site, $caller);

        return CalendarWriter::answer(
            $this->calendar->ofHours($access->row->string('title'), $this->hours->seen($access)),
            $access->row->string('code'),
        );
    }

    private function seen(string $site, Caller $caller): SiteAccess
    {
        return $this->gate->at($site, $caller)->require(Permission::SeeUnlisted, 'weeks.only-staff-hours');
    }

    private function answer(SiteAccess $access, ?int $entry = null): Answer
    {
        $answer = $this->hours->of($access, $entry);

        return (new Answer($answer))->versioned($answer->version);
    }
}
