<?php

declare(strict_types=1);

namespace MintDoor\Tests\App;

use MintDoor\Shared\Id;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Instant;
use Symfony\Component\Routing\RouterInterface;

/** Who may call what: every route of the contract, by every kind of caller. A route without a row fails. */
final class AuthorizationTest extends ApiTestCase
{
    use Bodies;

    private const CALLERS = [null, 'learner', 'assistant', 'lead', 'elsewhere', 'admin'];

    /**
     * Operation => statuses for anonymous, learner, assistant, lead, administrator of another division, platform
     * administrator.
     */
    private const TABLE = [
        'POST /sign-in' => [401, 401, 401, 401, 401, 401],
        'POST /sign-out' => [401, 204, 204, 204, 204, 204],
        'GET /me' => [401, 200, 200, 200, 200, 200],
        'GET /today' => [401, 200, 200, 200, 200, 200],
        'PUT /today/seen' => [401, 200, 200, 200, 200, 200],
        'GET /alive' => [401, 200, 200, 200, 200, 200],
        'GET /health' => [200, 200, 200, 200, 200, 200],
        'POST /first-password' => [410, 410, 410, 410, 410, 410],
        'GET /platform' => [401, 200, 200, 200, 200, 200],
        'GET /sites' => [401, 403, 403, 403, 200, 200],
        'POST /sites' => [401, 403, 422, 201, 422, 201],
        'GET /sites/{site}' => [401, 200, 200, 200, 404, 200],
        'PUT /sites/{site}' => [401, 403, 403, 200, 404, 200],
        'PUT /sites/{site}/life' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/sections' => [401, 403, 200, 200, 404, 200],
        'PUT /sites/{site}/sections' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/section-fits' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/hours' => [401, 403, 200, 200, 404, 200],
        'PUT /sites/{site}/hours' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/hours/read' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/hours/calendar' => [401, 403, 200, 200, 404, 200],
        'GET /sites/{site}/group-splits' => [401, 403, 200, 200, 404, 200],
        'POST /sites/{site}/group-splits' => [401, 403, 200, 200, 404, 200],
        'GET /sites/{site}/group-splits/{split}' => [401, 403, 404, 404, 404, 404],
        'PUT /sites/{site}/group-splits/{split}' => [401, 403, 404, 404, 404, 404],
        'DELETE /sites/{site}/group-splits/{split}' => [401, 403, 404, 404, 404, 404],
        'POST /sites/{site}/group-splits/{split}/back' => [401, 403, 404, 404, 404, 404],
        'POST /sites/{site}/group-splits/{split}/moves' => [401, 403, 404, 404, 404, 404],
        'POST /sites/{site}/group-splits/{split}/lines' => [401, 403, 404, 404, 404, 404],
        'POST /sites/{site}/group-splits/{split}/reminders' => [401, 403, 404, 404, 404, 404],
        'GET /sites/{site}/group-splits/{split}/wishes' => [401, 403, 404, 404, 404, 404],
        'PUT /sites/{site}/group-splits/{split}/wishes' => [401, 403, 404, 404, 404, 404],
        'POST /sites/{site}/group-splits/{split}/compute' => [401, 403, 404, 404, 404, 404],
        'POST /sites/{site}/group-splits/{split}/compute/stop' => [401, 403, 404, 404, 404, 404],
        'POST /sites/{site}/group-splits/{split}/balance' => [401, 403, 404, 404, 404, 404],
        'GET /group-lists/{changeList}' => [401, 404, 404, 404, 404, 404],
        'POST /group-lists/{changeList}/undo' => [401, 404, 404, 404, 404, 404],
        'GET /sites/{site}/plan' => [401, 403, 403, 200, 404, 200],
        'PUT /sites/{site}/plan' => [401, 403, 403, 422, 404, 422],
        'DELETE /sites/{site}/plan' => [401, 403, 403, 404, 404, 404],
        'GET /sites/{site}/plan/people' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/plan/record' => [401, 403, 403, 404, 404, 404],
        'POST /sites/{site}/plan/back' => [401, 403, 403, 409, 404, 409],
        'POST /sites/{site}/plan/close' => [401, 403, 403, 404, 404, 404],
        'POST /sites/{site}/plan/reminders' => [401, 403, 403, 404, 404, 404],
        'POST /sites/{site}/plan/compute' => [401, 403, 403, 404, 404, 404],
        'GET /sites/{site}/plan/with' => [401, 403, 403, 200, 404, 200],
        'PUT /sites/{site}/plan/with' => [401, 403, 403, 404, 404, 404],
        'POST /sites/{site}/plan/what-if' => [401, 403, 403, 404, 404, 404],
        'POST /sites/{site}/plan/stop' => [401, 403, 403, 404, 404, 404],
        'POST /sites/{site}/plan/apply' => [401, 403, 403, 404, 404, 404],
        'GET /me/wishes' => [401, 200, 200, 200, 200, 200],
        'PUT /me/wishes/{plan}' => [401, 404, 404, 404, 404, 404],
        'GET /me/groups' => [401, 200, 200, 200, 200, 200],
        'PUT /me/groups/{split}' => [401, 404, 404, 404, 404, 404],
        'POST /me/groups/{split}/found' => [401, 404, 404, 404, 404, 404],
        'POST /me/groups/{split}/invitations' => [401, 404, 404, 404, 404, 404],
        'GET /sites/{site}/week' => [401, 403, 200, 200, 404, 200],
        'GET /sites/{site}/clashes' => [401, 403, 403, 200, 404, 200],
        'GET /me/week' => [401, 200, 200, 200, 200, 200],
        'GET /people/{person}/week' => [401, 403, 200, 200, 200, 200],
        'GET /rooms' => [401, 403, 200, 200, 200, 200],
        'GET /rooms/week' => [401, 403, 200, 200, 200, 200],
        'GET /me/calendar-address' => [401, 200, 200, 200, 200, 200],
        'POST /me/calendar-address' => [401, 201, 201, 201, 201, 201],
        'DELETE /me/calendar-address' => [401, 200, 200, 200, 200, 200],
        'GET /calendars/{token}.ics' => [404, 404, 404, 404, 404, 404],
        'GET /sites/{site}/items' => [401, 200, 200, 200, 404, 200],
        'PUT /sites/{site}/items' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/items/{item}/people' => [401, 403, 200, 200, 404, 200],
        'PUT /sites/{site}/visibilities' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/roster' => [401, 200, 200, 200, 404, 200],
        'GET /sites/{site}/roster/{person}' => [401, 403, 200, 200, 404, 200],
        'GET /sites/{site}/roster-changes' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/forecast' => [401, 403, 200, 200, 404, 200],
        'GET /divisions/{division}/forecast' => [401, 404, 404, 404, 404, 200],
        'GET /people/{person}/forecast' => [401, 403, 200, 200, 200, 200],
        'GET /sites/{site}/roster-days' => [401, 403, 200, 200, 404, 200],
        'GET /sites/{site}/first-day-check' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/intake' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/intake' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/change-lists' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/change-lists/{changeList}/undo' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/visits' => [401, 200, 200, 200, 404, 200],
        'GET /sites/{site}/history' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/history/{sequence}/undo' => [401, 403, 403, 200, 404, 200],
        'POST /readings' => [401, 403, 200, 200, 200, 200],
        'GET /people' => [401, 403, 200, 200, 200, 200],
        'GET /directory' => [401, 403, 200, 200, 200, 200],
        'GET /directory/ids' => [401, 403, 200, 200, 200, 200],
        'GET /people/{person}' => [401, 403, 200, 200, 200, 200],
        'PUT /people/{person}/account' => [401, 403, 403, 403, 403, 200],
        'DELETE /people/{person}/sessions' => [401, 403, 403, 403, 403, 200],
        'POST /sign-in-cards' => [401, 403, 200, 200, 200, 200],
        'PUT /me/settings' => [401, 200, 200, 200, 200, 200],
        'GET /me/details' => [401, 200, 200, 200, 200, 200],
        'PUT /me/details' => [401, 422, 422, 422, 422, 422],
        'PUT /me/password' => [401, 422, 422, 422, 422, 422],
        'GET /people/{person}/history' => [401, 200, 200, 200, 200, 200],
        'GET /platform/history' => [401, 403, 403, 403, 403, 200],
        'GET /rules' => [401, 403, 200, 200, 200, 200],
        'PUT /rules' => [401, 403, 403, 403, 403, 200],
        'GET /numbers' => [401, 403, 403, 403, 200, 200],
        'POST /settings/calendar' => [401, 403, 403, 403, 403, 200],
        'GET /look' => [200, 200, 200, 200, 200, 200],
        'GET /first-steps' => [401, 403, 403, 403, 403, 200],
        'PUT /first-steps/{step}' => [401, 403, 403, 403, 403, 200],
        'GET /ready-roles' => [401, 403, 403, 403, 403, 200],
        'PUT /settings/mail-password' => [401, 403, 403, 403, 403, 200],
        'POST /settings/mail-test' => [401, 403, 403, 403, 403, 200],
        'GET /register' => [200, 200, 200, 200, 200, 200],
        'POST /register' => [422, 422, 422, 422, 422, 422],
        'POST /register/look' => [410, 410, 410, 410, 410, 410],
        'POST /register/confirm' => [410, 410, 410, 410, 410, 410],
        'GET /registrations' => [401, 403, 403, 403, 200, 200],
        'PUT /registrations/{registration}' => [401, 403, 403, 403, 404, 404],
        'GET /registration-codes' => [401, 403, 403, 403, 403, 200],
        'PUT /registration-codes/{division}' => [401, 403, 403, 403, 403, 200],
        'GET /settings' => [401, 403, 403, 403, 200, 200],
        'PUT /settings' => [401, 403, 403, 403, 403, 200],
        'GET /settings/versions' => [401, 403, 403, 403, 200, 200],
        'GET /settings/file' => [401, 403, 403, 403, 403, 200],
        'PUT /settings/file' => [401, 403, 403, 403, 403, 200],
        'POST /settings/later-terms' => [401, 403, 403, 403, 403, 200],
        'GET /administrators' => [401, 403, 403, 403, 403, 200],
        'PUT /administrators/{person}' => [401, 403, 403, 403, 403, 200],
        'GET /first-day-check' => [401, 200, 200, 200, 200, 200],
        'POST /site-batches' => [401, 403, 200, 200, 200, 200],
        'POST /site-batches/{changeList}/undo' => [401, 404, 404, 404, 404, 404],
        'POST /site-merges' => [401, 403, 403, 422, 404, 422],
        'POST /site-merges/{changeList}/undo' => [401, 404, 404, 404, 404, 404],
        'POST /sites/{site}/splits' => [401, 403, 403, 422, 404, 422],
        'POST /site-splits/{changeList}/undo' => [401, 404, 404, 404, 404, 404],
        'POST /term-changes' => [401, 403, 403, 422, 404, 422],
        'POST /term-changes/{changeList}/undo' => [401, 404, 404, 404, 404, 404],
        'POST /site-changes' => [401, 200, 200, 200, 404, 200],
        'POST /site-changes/undo' => [401, 200, 200, 200, 404, 200],
        'GET /sites/{site}/labels' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/labels' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/views' => [401, 200, 200, 200, 404, 200],
        'PUT /sites/{site}/views' => [401, 200, 200, 200, 404, 200],
        'DELETE /sites/{site}/views/{view}' => [401, 200, 200, 200, 404, 200],
        'GET /sites/{site}/progress' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/settled-lines' => [401, 403, 403, 200, 404, 200],
        'DELETE /sites/{site}/settled-lines' => [401, 403, 403, 404, 404, 404],
        'POST /change-reviews' => [401, 403, 403, 200, 404, 200],
        'GET /change-lists' => [401, 200, 200, 200, 200, 200],
        'POST /change-lists' => [401, 403, 403, 201, 404, 201],
        'GET /change-lists/{changeList}' => [401, 404, 404, 200, 404, 200],
        'PUT /change-lists/{changeList}' => [401, 404, 404, 412, 404, 412],
        'PUT /change-lists/{changeList}/dropped' => [401, 404, 404, 412, 404, 412],
        'DELETE /change-lists/{changeList}/dropped' => [401, 404, 404, 412, 404, 412],
        'POST /change-lists/{changeList}/apply' => [401, 404, 404, 404, 404, 404],
        'POST /change-lists/{changeList}/continue' => [401, 404, 404, 412, 404, 412],
        'POST /change-lists/{changeList}/undo' => [401, 404, 404, 200, 404, 200],
        'POST /forgotten-password' => [202, 202, 202, 202, 202, 202],
        'PUT /people/{person}' => [401, 403, 403, 403, 403, 200],
        'PUT /people/{person}/details' => [401, 403, 422, 422, 422, 422],
        'POST /people/{person}/notes' => [401, 403, 403, 403, 403, 200],
        'DELETE /people/{person}/notes/{note}' => [401, 403, 403, 403, 403, 404],
        'PUT /people/{person}/notes/{note}' => [401, 403, 403, 403, 403, 404],
        'POST /people/{person}/password-link' => [401, 403, 403, 403, 403, 200],
        'PUT /people/{person}/password-wanted' => [401, 403, 403, 403, 403, 200],
        'DELETE /people/{person}/password-wanted' => [401, 403, 403, 403, 403, 200],
        'POST /people/{person}/export' => [401, 403, 403, 403, 403, 200],
        'POST /people/{person}/erasure' => [401, 403, 403, 403, 403, 200],
        'GET /duplicates' => [401, 403, 403, 403, 200, 200],
        'PUT /duplicates/{one}/{other}' => [401, 403, 403, 403, 403, 200],
        'DELETE /duplicates/{one}/{other}' => [401, 403, 403, 403, 403, 200],
        'POST /merges' => [401, 403, 403, 403, 403, 200],
        'POST /merges/{changeList}/undo' => [401, 404, 404, 404, 404, 404],
        'POST /division-moves' => [401, 403, 403, 403, 403, 200],
        'POST /division-moves/{changeList}/undo' => [401, 403, 403, 403, 403, 404],
        'POST /account-batches' => [401, 403, 200, 200, 200, 200],
        'GET /account-batches/{changeList}' => [401, 404, 404, 404, 404, 404],
        'POST /account-batches/{changeList}/undo' => [401, 404, 404, 404, 404, 404],
        'GET /messages' => [401, 403, 200, 200, 200, 200],
        'POST /sites/{site}/letters' => [401, 403, 403, 200, 404, 200],
        'POST /messages/again' => [401, 403, 404, 404, 404, 404],
        'POST /messages/withdraw' => [401, 403, 404, 404, 404, 404],
        'POST /message-previews' => [401, 403, 403, 200, 404, 200],
        'GET /templates' => [401, 403, 403, 403, 403, 200],
        'PUT /templates/{kind}' => [401, 403, 403, 200, 404, 200],
        'DELETE /templates/{kind}' => [401, 403, 403, 403, 403, 200],
        'GET /simulated-inbox' => [401, 403, 403, 403, 403, 200],
        'GET /sites/{site}/doors' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/doors' => [401, 403, 403, 201, 404, 201],
        'PUT /sites/{site}/doors/{door}' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/doors/{door}/days' => [401, 403, 403, 200, 404, 200],
        'PUT /sites/{site}/doors/{door}/open' => [401, 403, 403, 200, 404, 200],
        'DELETE /sites/{site}/doors/{door}/open' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/doors/{door}/key' => [401, 403, 403, 403, 404, 403],
        'POST /sites/{site}/door-reach' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/arrivals' => [401, 403, 403, 200, 404, 200],
        'GET /sites/{site}/waiting' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/waiting' => [401, 403, 403, 404, 404, 404],
        'GET /sites/{site}/doors/{door}/invitations' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/doors/{door}/invitations' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/doors/{door}/invitations/again' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/doors/{door}/invitations/withdraw' => [401, 403, 403, 200, 404, 200],
        'POST /sites/{site}/leave' => [401, 403, 200, 403, 404, 403],
        'POST /join/look' => [422, 422, 422, 422, 422, 422],
        'POST /join' => [401, 422, 422, 422, 422, 422],
        'POST /join/account' => [422, 422, 422, 422, 422, 422],
        'GET /me/waits' => [401, 200, 200, 200, 200, 200],
        'POST /me/waits/{wait}' => [401, 404, 404, 404, 404, 404],
        'DELETE /me/waits/{wait}' => [401, 404, 404, 404, 404, 404],
        'GET /cohorts' => [401, 403, 200, 200, 200, 200],
        'POST /cohorts' => [401, 403, 403, 403, 422, 200],
        'GET /cohorts/{cohort}' => [401, 404, 404, 404, 404, 404],
        'PUT /cohorts/{cohort}' => [401, 404, 404, 404, 404, 404],
        'DELETE /cohorts/{cohort}' => [401, 404, 404, 404, 404, 404],
        'GET /cohorts/{cohort}/members' => [401, 404, 404, 404, 404, 404],
        'POST /cohorts/{cohort}/members' => [401, 404, 404, 404, 404, 404],
        'POST /cohort-looks' => [401, 403, 403, 403, 422, 200],
        'GET /cohort-labels' => [401, 403, 403, 403, 200, 200],
        'GET /people/{person}/cohorts' => [401, 403, 200, 200, 200, 200],
        'GET /sites/{site}/cohort-links' => [401, 403, 403, 200, 404, 200],
        'POST /cohort-links' => [401, 403, 403, 200, 404, 200],
        'PUT /cohort-links/{link}' => [401, 404, 404, 404, 404, 404],
        'POST /cohort-links/{link}/end' => [401, 404, 404, 404, 404, 404],
        'POST /cohort-links/{link}/yes' => [401, 404, 404, 404, 404, 404],
        'POST /cohort-links/{link}/again' => [401, 404, 404, 404, 404, 404],
        'GET /open-doors' => [401, 200, 200, 200, 200, 200],
        'GET /previews/{door}' => [401, 404, 404, 404, 404, 404],
        'GET /key-doors' => [401, 200, 200, 200, 200, 200],
        'POST /key-renewals' => [401, 404, 404, 404, 404, 404],
        'GET /me/notices' => [401, 200, 200, 200, 200, 200],
        'PUT /me/notices' => [401, 200, 200, 200, 200, 200],
        'GET /me/sessions' => [401, 200, 200, 200, 200, 200],
        'DELETE /me/sessions' => [401, 200, 200, 200, 200, 200],
        'DELETE /me/sessions/{session}' => [401, 404, 404, 404, 404, 404],
        'GET /security-log' => [401, 403, 403, 403, 200, 200],
        'POST /security-log/export' => [401, 403, 403, 403, 200, 200],
        'GET /approvals' => [401, 403, 403, 403, 200, 200],
        'POST /sites/{site}/approvals/{person}' => [401, 403, 403, 403, 404, 404],
        'GET /sites/{site}/access-check/{person}' => [401, 403, 200, 200, 404, 200],
    ];

    public function testEveryRouteOfTheContractHasItsRowAndKeepsToIt(): void
    {
        self::assertEqualsCanonicalizing(Contract::get()->operations(), array_keys(self::TABLE));
        $changeList = Id::text(
            (string) $this->db()->fetchOne(<<<'SQL'
                SELECT change_list_id
                FROM change_line
                WHERE site_id = ? AND person_id = ?
                SQL, [
                Id::binary($this->ids['site']),
                Id::binary($this->ids['learner']),
            ]),
        );
        $door = $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/doors', ['kind' => 'invitation'], 201)[
            'id'
        ];
        $otherwise = [];
        foreach (self::TABLE as $operation => $statuses) {
            [$method, $template] = explode(' ', $operation);
            foreach (self::CALLERS as $index => $caller) {
                $this->db()->beginTransaction();
                $path =
                    strtr($template, [
                        '{site}' => $this->ids['site'],
                        '{person}' => $this->ids['cotutor'],
                        '{sequence}' => '4',
                        '{changeList}' => $changeList,
                        '{view}' => $changeList,
                        '{door}' => $door,
                        '{wait}' => '1',
                        '{note}' => $changeList,
                        '{one}' => $this->ids['colleague'],
                        '{other}' => $this->ids['cotutor'],
                        '{kind}' => 'let-in',
                        '{step}' => 'terms',
                        '{division}' => 'seniors',
                        '{registration}' => Id::NONE,
                        '{session}' => str_repeat('0', 32),
                        '{item}' => 'welcome',
                        '{token}' => str_repeat('x', 43),
                        '{plan}' => Id::NONE,
                        '{split}' => Id::NONE,
                        '{cohort}' => Id::NONE,
                        '{link}' => Id::NONE,
                    ])
                    .([
                        'GET /sites' => '?scope=all',
                        'GET /people' => '?q=learner',
                        'GET /first-day-check' => '?day=2026-12-01',
                        'GET /rooms/week' => '?room=12',
                        'GET /sites/{site}/first-day-check' => '?day=2026-12-01',
                        'GET /sites/{site}/roster-changes' => '?from=2026-10-01&until=2026-11-01',
                        'DELETE /sites/{site}/settled-lines' => '?gist=nobody',
                    ][$operation]
                        ?? '');
                $this->call($caller, $method, $path, $this->body($operation), null, ['If-Match' => '"1"']);
                $status = $this->client->getResponse()->getStatusCode();
                if ($statuses[$index] !== $status) {
                    $otherwise[] = $operation.' by '.($caller ?? 'nobody').": $status, not $statuses[$index]";
                }
                $this->db()->rollBack();
            }
        }
        self::assertSame([], $otherwise);
    }

    /** A table of refusals alone would hold of an application that refuses everything. */
    public function testEveryRouteSucceedsForSomebody(): void
    {
        $never = array_keys(
            array_filter(
                self::TABLE,
                static fn(array $row): bool => [] === array_filter($row, static fn(int $status): bool => $status < 300),
            ),
        );
        $otherwise = [];
        foreach ($never as $operation) {
            $this->db()->beginTransaction();
            [$caller, $values, $body] = $this->success($operation);
            [$method, $template] = explode(' ', $operation);
            $path = strtr($template, ['{site}' => $this->ids['site'], ...$values]);
            $answer = $this->call($caller, $method, $path, $body, null, ['If-Match' => '"1"']);
            $status = $this->client->getResponse()->getStatusCode();
            if ($status >= 300) {
                $otherwise[] = "$operation by ".($caller ?? 'nobody').": $status ".json_encode($answer);
            }
            $this->db()->rollBack();
        }
        self::assertSame([], $otherwise);
        self::assertGreaterThan(20, \count($never));
    }

    public function testEveryRouteOfTheApplicationIsInTheContract(): void
    {
        $known = array_map(
            static fn(string $operation): string => (string) preg_replace('/\{\w+\}/', '{}', $operation),
            Contract::get()->operations(),
        );
        foreach ($this->service(RouterInterface::class)->getRouteCollection() as $route) {
            foreach ($route->getMethods() as $method) {
                self::assertContains(
                    $method
                        .' '
                        .(string) preg_replace('/\{\w+\}/', '{}', str_replace('/api/v1', '', $route->getPath())),
                    $known,
                );
            }
        }
    }

    public function testWhoLostTheirPlaceLostTheirSay(): void
    {
        $this->change('lead', 'remove', 'cotutor');
        $this->change('cotutor', 'let-in', 'newcomer', 'learner', 403);
    }

    /**
     * What has to be so before a route succeeds that the table above has refused for everybody.
     *
     * @return array{?string, array<string, string>, array<string, mixed>|null} who calls, what the path names, the body
     */
    private function success(string $operation): array
    {
        $password = 'three small boats';
        $site = '/sites/'.$this->ids['site'];
        $draft = fn(string $kind = 'pasted'): string => $this->call(
            'admin',
            'POST',
            '/change-lists',
            [
                'kind' => $kind,
                'title' => 'A list',
                'site' => $this->ids['site'],
                'work' => ['text' => 'x'],
            ],
            201,
        )['id'];
        $line = [
            'site' => $this->ids['site'],
            'line' => ['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner'],
        ];
        $door = fn(array $request = []): array => $this->call('lead', 'POST', $site.'/doors', $request, 201);

        return match ($operation) {
            'POST /sign-in' => [null, [], ['login' => 'learner', 'password' => self::PASSWORD]],
            'GET /calendars/{token}.ics' => [null, ['{token}' => $this->calendarToken()], null],
            'POST /first-password' => [null, [], ['token' => $this->token('learner'), 'password' => $password]],
            'PUT /people/{person}/details' => [
                'admin',
                ['{person}' => $this->detailed('colleague')],
                ['values' => ['plays' => 'viola']],
            ],
            'PUT /me/details' => [
                'learner',
                ['{none}' => $this->detailed('learner')],
                ['values' => ['plays' => 'viola']],
            ],
            'PUT /me/password' => ['learner', [], ['present' => self::PASSWORD, 'password' => $password]],
            'DELETE /me/sessions/{session}' => ['learner', ['{session}' => $this->session('learner')], null],
            'PUT /change-lists/{changeList}' => [
                'admin',
                ['{changeList}' => $draft()],
                ['kind' => 'pasted', 'work' => ['text' => 'y']],
            ],
            'PUT /change-lists/{changeList}/dropped' => ['admin', ['{changeList}' => $draft()], null],
            'DELETE /change-lists/{changeList}/dropped' => ['admin', ['{changeList}' => $this->dropped(
                $draft()
            )], null],
            'POST /change-lists/{changeList}/apply' => ['admin', ['{changeList}' => $draft()], ['lines' => [$line]]],
            'POST /change-lists/{changeList}/continue' => ['admin', ['{changeList}' => $this->accounts(
                $draft('accounts'),
                250
            )], null],
            'DELETE /sites/{site}/settled-lines' => [
                'lead',
                ['/settled-lines' => '/settled-lines?gist='.$this->settled($draft(), $line)],
                null,
            ],
            'POST /site-batches/{changeList}/undo' => ['admin', ['{changeList}' => $this->sites(
                $draft('sites')
            )], null],
            'GET /account-batches/{changeList}' => ['admin', ['{changeList}' => $this->accounts(
                $draft('accounts'),
                1
            )], null],
            'POST /account-batches/{changeList}/undo' => [
                'admin',
                ['{changeList}' => $this->accounts($draft('accounts'), 1)],
                ['apply' => false],
            ],
            'POST /merges/{changeList}/undo' => ['admin', ['{changeList}' => $this->merged()], ['apply' => false]],
            'POST /division-moves/{changeList}/undo' => [
                'admin',
                ['{changeList}' => $this->moved()],
                ['apply' => false],
            ],
            'GET /cohorts/{cohort}',
            'DELETE /cohorts/{cohort}',
            'GET /cohorts/{cohort}/members' => ['admin', $this->cohort(), null],
            'PUT /cohorts/{cohort}' => ['admin', $this->cohort(), ['name' => 'Team', 'division' => 'seniors']],
            'POST /cohorts/{cohort}/members' => ['admin', $this->cohort(), ['add' => [$this->ids['learner']]]],
            'PUT /cohort-links/{link}' => ['lead', $this->connected(), ['leaves' => 'term']],
            'POST /cohort-links/{link}/end' => ['lead', $this->connected(), ['apply' => true]],
            'POST /cohort-links/{link}/yes' => ['lead', $this->connected(), ['number' => 0]],
            'POST /cohort-links/{link}/again' => [
                'lead',
                $this->connected(),
                ['people' => [$this->ids['newcomer']]],
            ],
            'GET /sites/{site}/group-splits/{split}',
            'GET /sites/{site}/group-splits/{split}/wishes',
            'POST /sites/{site}/group-splits/{split}/compute',
            'POST /sites/{site}/group-splits/{split}/compute/stop',
            'DELETE /sites/{site}/group-splits/{split}',
            'GET /group-lists/{changeList}',
            'POST /group-lists/{changeList}/undo' => ['lead', $this->grouped(), null],
            'POST /sites/{site}/group-splits/{split}/balance' => ['lead', $this->grouped(), ['moves' => []]],
            'PUT /sites/{site}/group-splits/{split}/wishes' => ['lead', $this->grouped(), ['wishes' => []]],
            'PUT /sites/{site}/group-splits/{split}' => ['lead', $this->grouped(), ['name' => 'Teams', 'groups' => []]],
            'POST /sites/{site}/group-splits/{split}/back' => ['lead', $this->grouped(true), null],
            'POST /sites/{site}/group-splits/{split}/moves' => [
                'lead',
                $this->grouped(),
                ['moves' => [['person' => $this->ids['learner'], 'to' => null, 'from' => null]]],
            ],
            'POST /sites/{site}/group-splits/{split}/lines' => [
                'lead',
                $this->grouped(),
                ['text' => 'Learner Learnersen'],
            ],
            'PUT /sites/{site}/plan' => ['lead', [], $this->planning()],
            'DELETE /sites/{site}/plan', 'POST /sites/{site}/plan/stop' => ['lead', $this->planned('set'), null],
            'POST /sites/{site}/plan/close', 'POST /sites/{site}/plan/reminders' => [
                'lead',
                $this->planned('asks'),
                null,
            ],
            'PUT /sites/{site}/plan/with' => ['lead', $this->planned('set'), ['sites' => []]],
            'POST /sites/{site}/plan/back' => ['lead', $this->planned('away'), null],
            'POST /sites/{site}/plan/compute' => ['lead', $this->planned('set'), null],
            'POST /sites/{site}/plan/what-if' => ['lead', $this->planned('computed'), ['more' => 3]],
            'GET /sites/{site}/plan/record',
            'POST /sites/{site}/plan/apply' => ['lead', $this->planned('computed'), null],
            'POST /sites/{site}/group-splits/{split}/reminders' => ['lead', $this->chosen(), null],
            'PUT /me/groups/{split}' => ['learner', $this->chosen(), ['group' => null]],
            'POST /me/groups/{split}/found' => ['learner', $this->chosen(), ['name' => 'Blue']],
            'POST /me/groups/{split}/invitations' => ['learner', $this->chosen(), ['people' => [$this->classmate()]]],
            'PUT /me/wishes/{plan}' => ['learner', $this->planned('asks'), ['sections' => []]],
            'POST /site-merges' => ['lead', [], $this->merging(false)],
            'POST /site-merges/{changeList}/undo' => [
                'lead',
                ['{changeList}' => $this->call('lead', 'POST', '/site-merges', $this->merging(true))['changeList']],
                ['apply' => false],
            ],
            'POST /term-changes' => ['lead', [], $this->turning(false)],
            'POST /term-changes/{changeList}/undo' => [
                'lead',
                ['{changeList}' => $this->call('lead', 'POST', '/term-changes', $this->turning(true))['changeList']],
                ['apply' => false],
            ],
            'POST /sites/{site}/splits' => ['lead', [], $this->splitting(false)],
            'POST /site-splits/{changeList}/undo' => [
                'lead',
                ['{changeList}' => $this->call(
                    'lead',
                    'POST',
                    '/sites/'.$this->ids['site'].'/splits',
                    $this->splitting(true),
                )['changeList']],
                ['apply' => false],
            ],
            'PUT /people/{person}/notes/{note}' => [
                'admin',
                ['{person}' => $this->ids['learner'], '{note}' => $this->note(true)],
                null,
            ],
            'DELETE /people/{person}/notes/{note}' => [
                'lead',
                ['{person}' => $this->ids['learner'], '{note}' => $this->note(false)],
                null,
            ],
            'POST /sites/{site}/letters' => [
                'lead',
                [],
                ['people' => [$this->ids['learner']], 'words' => 'Bring a pencil.'],
            ],
            'POST /messages/again' => ['lead', [], ['messages' => [$this->message('withdrawn')]]],
            'POST /messages/withdraw' => ['lead', [], ['messages' => [$this->message('held')]]],
            'POST /sites/{site}/doors/{door}/key' => ['lead', ['{door}' => $door()['id']], null],
            'POST /sites/{site}/waiting' => [
                'lead',
                [],
                ['waiters' => [$this->waits($door(['approval' => true, 'name' => 'Asks']))], 'answer' => 'yes'],
            ],
            'POST /sites/{site}/leave' => ['newcomer', [], $this->joined($door())],
            'POST /join/look' => [null, [], ['key' => $door()['key']]],
            'POST /join' => ['newcomer', [], ['key' => $door()['key']]],
            'POST /join/account' => [
                null,
                [],
                [
                    'key' => $door(['accounts' => true])['key'],
                    'given' => 'Mia',
                    'family' => 'Berg',
                    'level' => 7,
                    'password' => $password,
                ],
            ],
            'POST /me/waits/{wait}' => [
                'newcomer',
                ['{wait}' => (string) $this->offered($door(['approval' => true]))],
                null,
            ],
            'DELETE /me/waits/{wait}' => [
                'newcomer',
                ['{wait}' => (string) $this->waits($door(['approval' => true]))],
                null,
            ],
            'GET /previews/{door}' => [null, ['{door}' => $door(['kind' => 'preview', 'anyone' => true])['id']], null],
            'POST /key-renewals' => ['lead', [], ['doors' => [$door()['id']]]],
            'POST /sites/{site}/approvals/{person}' => ['admin', ['{person}' => $this->asked()], ['answer' => 'yes']],
            'POST /register' => [null, $this->registering(false), $this->body($operation)],
            'POST /register/look' => [null, $this->registering(false), ['token' => 'registered']],
            'POST /register/confirm' => [
                null,
                $this->registering(false),
                ['token' => 'registered', 'password' => $password],
            ],
            'PUT /registrations/{registration}' => ['admin', $this->registering(true), ['yes' => true]],
            default => self::fail("Nobody succeeds at $operation: say who does."),
        };
    }

    private function token(string $person): string
    {
        $this->db()->insert('first_password', [
            'token_hash' => hash('sha256', 'the-token', true),
            'person_id' => Id::binary($this->ids[$person]),
            'expires_at' => Instant::toSql($this->now() + 60),
        ]);

        return 'the-token';
    }

    private function session(string $person): string
    {
        $this->db()->executeStatement(
            "INSERT INTO session (id, person_id, data, touched_at, made_at, ends_at)
             VALUES (?, ?, '', UTC_TIMESTAMP(), UTC_TIMESTAMP(), UTC_TIMESTAMP() + INTERVAL 1 DAY)",
            [str_repeat("\x42", 32), Id::binary($this->ids[$person])],
        );

        return str_repeat('42', 16);
    }

    private function dropped(string $changeList): string
    {
        $this->call('admin', 'PUT', "/change-lists/$changeList/dropped");

        return $changeList;
    }

    private function accounts(string $changeList, int $many): string
    {
        $text = implode("\n", array_map(static fn(int $n): string => "Given$n Family$n", range(1, $many)));
        $this->call('admin', 'POST', '/account-batches', [
            'text' => $text,
            'division' => 'seniors',
            'level' => 7,
            'apply' => true,
            'changeList' => $changeList,
        ]);

        return $changeList;
    }

    private function sites(string $changeList): string
    {
        $this->call('admin', 'POST', '/site-batches', [
            'text' => 'Winter choir;WCH',
            'division' => 'seniors',
            'term' => 'autumn',
            'apply' => true,
            'changeList' => $changeList,
        ]);

        return $changeList;
    }

    /** @param array<string, mixed> $line */
    private function settled(string $changeList, array $line): string
    {
        $gist = $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/intake', ['text' => 'Nuwcomer'])[
            'items'
        ][0]['gist'];
        $settled = [['gist' => $gist, 'text' => 'Nuwcomer', 'person' => $this->ids['newcomer']]];
        $this->call('admin', 'POST', "/change-lists/$changeList/apply", ['lines' => [$line], 'settled' => $settled]);

        return rawurlencode($gist);
    }

    private function merged(): string
    {
        $this->ids['twin'] = $this->person('twin', 'learner', 'seniors', 7);
        $this->platform->write();

        return $this->call('admin', 'POST', '/merges', [
            'stays' => $this->ids['newcomer'],
            'goes' => $this->ids['twin'],
            'apply' => true,
        ])['changeList'];
    }

    private function moved(): string
    {
        $move = ['from' => 'seniors', 'people' => 'evening', 'apply' => true];

        return $this->call('admin', 'POST', '/division-moves', $move)['changeList'];
    }

    /** @return array<string, mixed> a body that changes the term of the site */
    private function turning(bool $apply): array
    {
        if (false === $this->db()->fetchOne("SELECT 1 FROM term WHERE code = 'winter'")) {
            $this->platform->term('winter', 'Winter', '2027-01-11', '2027-03-19');
            $this->platform->write();
        }

        return ['sites' => [['id' => $this->ids['site']]], 'term' => 'winter', 'apply' => $apply];
    }

    /** @return array<string, mixed> a body that merges another site of the lead's into the site */
    private function merging(bool $apply): array
    {
        $site = ['title' => 'Twin', 'code' => 'TWIN', 'kind' => 'course', 'division' => 'seniors', 'term' => 'autumn'];
        $made = $this->call('lead', 'POST', '/sites', $site, 201);
        $life = ['state' => 'open'];
        $tag = ['If-Match' => '"'.$made['version'].'"'];
        $this->call('lead', 'PUT', '/sites/'.$made['id'].'/life', $life, 200, $tag);

        return ['into' => $this->ids['site'], 'sites' => [$made['id']], 'apply' => $apply];
    }

    /** @return array<string, mixed> a body that makes a site of a section of the site */
    private function splitting(bool $apply): array
    {
        $path = '/sites/'.$this->ids['site'];
        $tag = ['If-Match' => '"'.$this->call('lead', 'GET', $path)['version'].'"'];
        $sections = ['sections' => [['name' => 'Late']], 'apart' => false, 'several' => false];
        $made = $this->call('lead', 'PUT', $path.'/sections', $sections, 200, $tag)['sections'][0]['id'];

        return ['sections' => [$made], 'title' => 'Late', 'code' => 'LATE', 'apply' => $apply];
    }

    /** @return array{'{cohort}': string} */
    private function cohort(): array
    {
        $body = ['name' => 'Team', 'division' => 'seniors', 'people' => [$this->ids['newcomer']]];
        $made = $this->call('admin', 'POST', '/cohorts', $body);
        $this->db()->executeStatement('UPDATE cohort SET version = 1');

        return ['{cohort}' => $made['id']];
    }

    /** @return array{'{link}': string} of a cohort with the site */
    private function connected(): array
    {
        $body = [
            'sites' => [$this->ids['site']],
            'role' => 'learner',
            'cohorts' => [$this->cohort()['{cohort}']],
            'apply' => true,
        ];

        return ['{link}' => $this->call('lead', 'POST', '/cohort-links', $body)['items'][0]['link']];
    }

    /** @return array<string, string> what paths of groups name: a split, and the change list that put people into it */
    private function grouped(bool $away = false): array
    {
        $path = '/sites/'.$this->ids['site'].'/group-splits';
        $made = $this->call('lead', 'POST', $path, ['name' => 'Teams', 'from' => 'division']);
        $away && $this->call('lead', 'DELETE', $path.'/'.$made['id']);
        $this->db()->executeStatement('UPDATE group_split SET version = 1');

        return ['{split}' => $made['id'], '{changeList}' => $made['changeList']];
    }

    /** @return array<string, string> a split whose groups people choose by themselves; the learner is in one */
    private function chosen(): array
    {
        $grouped = $this->grouped();
        $this->db()->executeStatement(
            "UPDATE group_split SET opens_at = '2026-11-01', closes_at = '2026-12-24', founds = 1",
        );

        return $grouped;
    }

    /** @return string id of a learner of the site who is in no group */
    private function classmate(): string
    {
        $this->change('lead', 'let-in', 'newcomer', 'learner');

        return $this->ids['newcomer'];
    }

    /** @return array<string, mixed> a body that plans the site */
    private function planning(): array
    {
        return [
            'sections' => array_map(static fn(string $id): array => ['id' => $id], $this->splitting(false)['sections']),
            'moves' => 'nobody',
            'stays' => [],
            'wishesFrom' => null,
            'wishesUntil' => null,
        ];
    }

    /**
     * @param 'set'|'asks'|'computed'|'away' $so
     *
     * @return array<string, string> what the path names
     */
    private function planned(string $so): array
    {
        $path = '/sites/'.$this->ids['site'].'/plan';
        $wishes = 'asks' === $so ? ['wishesUntil' => '2026-12-10'] : [];
        $this->call('lead', 'PUT', $path, [...$this->planning(), ...$wishes], 200, ['If-Match' => '"1"']);
        'computed' === $so && $this->call('lead', 'POST', $path.'/compute');
        'away' === $so && $this->call('lead', 'DELETE', $path);
        $this->db()->executeStatement('UPDATE site_plan SET version = 1');
        $id = $this->db()->fetchOne('SELECT id FROM site_plan');

        return ['{plan}' => Id::text(\is_string($id) ? $id : '')];
    }

    private function note(bool $gone): string
    {
        $path = '/people/'.$this->ids['learner'].'/notes';
        $note = $this->call('lead', 'POST', $path, ['text' => 'Rang up.'])['notes'][0]['id'];
        $gone && $this->call('lead', 'DELETE', $path.'/'.$note);

        return $note;
    }

    private function message(string $state): string
    {
        $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/change-lists', [
            'lines' => [['person' => $this->ids['newcomer'], 'verb' => 'let-in', 'role' => 'learner']],
            'tell' => '',
        ]);
        $message = $this->call('lead', 'GET', '/messages')['items'][0]['id'];
        'withdrawn' === $state && $this->call('lead', 'POST', '/messages/withdraw', ['messages' => [$message]]);

        return $message;
    }

    /** @param array<string, mixed> $door */
    private function waits(array $door): int
    {
        $this->call('newcomer', 'POST', '/join', ['key' => $door['key'], 'why' => 'I sing.']);

        return $this->call('newcomer', 'GET', '/me/waits')['items'][0]['id'];
    }

    /**
     * A seat is kept for them.
     *
     * @param array<string, mixed> $door
     */
    private function offered(array $door): int
    {
        $wait = $this->waits($door);
        $this->db()->executeStatement(
            "UPDATE waiter SET what = 'seat', offered_until = '2999-01-01 00:00:00' WHERE id = ?",
            [$wait],
        );
        $terms = "JSON_SET(terms, '$.approval', FALSE)";
        $this->db()->executeStatement("UPDATE door SET terms = $terms WHERE id = ?", [Id::binary($door['id'])]);

        return $wait;
    }

    /** @param array<string, mixed> $door */
    private function joined(array $door): null
    {
        $this->call('newcomer', 'POST', '/join', ['key' => $door['key']]);

        return null;
    }

    private function asked(): string
    {
        $this->change('cotutor', 'let-in', 'junior', 'learner', more: ['named' => 'X77JUNIOR']);

        return $this->ids['junior'];
    }

    /** Whom a detail is kept of that they change themselves. */
    private function detailed(string $whose): string
    {
        $readers = ['staff', 'themselves'];
        $detail = ['code' => 'plays', 'name' => 'Instrument', 'type' => 'text', 'choices' => [], 'kinds' => []];
        $this->settle(['details' => [[...$detail, 'seenBy' => $readers, 'changedBy' => $readers]]]);

        return $this->ids[$whose];
    }

    /**
     * Somebody registers among the seniors.
     *
     * @return array<string, string> what the path names
     */
    private function registering(bool $confirmed): array
    {
        $this->settle(['registrations' => [
            [
                'division' => 'seniors',
                'for' => 'anybody',
                'domains' => [],
                'approved' => $confirmed,
                'asks' => [],
                'language' => '',
            ],
        ]]);
        $id = $this->service(Ids::class)->next();
        $this->db()->insert('registration', [
            'id' => Id::binary($id),
            'division_id' => $this->db()->fetchOne("SELECT id FROM division WHERE code = 'seniors'"),
            'given_name' => 'Noor',
            'family_name' => 'Haddad',
            'email' => 'noor.haddad@example.org',
            'asked_at' => Instant::toSql($this->now()),
            'token_hash' => $confirmed ? null : hash('sha256', 'registered', true),
            'confirmed_at' => $confirmed ? Instant::toSql($this->now()) : null,
        ]);

        return ['{registration}' => $id];
    }

    private function calendarToken(): string
    {
        $made = $this->call('lead', 'POST', '/me/calendar-address', null, 201);

        return basename((string) $made['path'], '.ics');
    }
}
