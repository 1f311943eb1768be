<?php

declare(strict_types=1);

namespace Lantern\Tests\Checks;

use PhpParser\Node;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;

/**
 * To `==`, "1.5" and "1.50" are one, and so are "7" and "007": what differs would be taken for the same.
 *
 * @implements Rule<Node\Expr\BinaryOp>
 */
final class NoLooseComparison implements Rule
{
    public function getNodeType(): string
    {
        return Node\Expr\BinaryOp::class;
    }

    public function processNode(Node $node, Scope $scope): array
    {
        return $node instanceof Node\Expr\BinaryOp\Equal || $node instanceof Node\Expr\BinaryOp\NotEqual
            ? [RuleErrorBuilder::message('Values are compared by equals(), or by === and !==.')->identifier('lantern.looseComparison')->build()]
            : [];
    }
}
