<?php

declare(strict_types=1);

namespace Lantern\Admin\Http;

use Symfony\Component\Validator\Constraint;
use Symfony\Component\Validator\ConstraintValidator;

/** Unlike the validator of a pattern, it does not let an empty text pass for none. */
final class IdValidator extends ConstraintValidator
{
    public function validate(mixed $value, Constraint $constraint): void
    {
        if (null !== $value && (!\is_string($value) || 1 !== preg_match(Id::PATTERN, $value))) {
            $this->context->addViolation('This has to be an id.');
        }
    }
}
